"""Older plan versions and the steps that lift them, one module for each step."""
