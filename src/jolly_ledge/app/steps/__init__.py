"""The six steps of the work, one page each."""
