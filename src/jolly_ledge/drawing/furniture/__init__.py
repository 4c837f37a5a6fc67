"""Furniture in elevation, family by family, and what is fixed to it."""
