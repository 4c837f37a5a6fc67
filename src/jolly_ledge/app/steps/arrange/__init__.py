"""Arrange: the look in hand with its readings, proposals and wants."""
