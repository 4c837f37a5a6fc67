"""Readings: what the eye does, as numbers. One module for each, all listed in ``register``."""
