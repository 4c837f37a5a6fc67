"""Calibration cases: pairs of looks of which one is to be preferred."""
