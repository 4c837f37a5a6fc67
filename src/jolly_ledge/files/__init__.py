"""Files: the plan format, its archive, atomic saving, recovery and CSV."""
