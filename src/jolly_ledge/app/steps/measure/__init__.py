"""Measure: the piece with its figures, by tape or from a photograph."""
