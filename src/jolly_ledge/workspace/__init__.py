"""The plan in hand without a window: its file, what is chosen in it, what is tried, and who is told."""
