"""Drawings on the screen that are looked at and taken hold of."""
