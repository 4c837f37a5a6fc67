"""Jolly Ledge plans the arrangement of shelves, mantels and tables before anything is carried."""

__version__ = "0.1.0"
