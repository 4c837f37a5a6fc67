"""Whole looks from groups: which forms a ledge bears, where they stand on it, and how a composition is liked."""
