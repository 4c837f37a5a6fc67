"""Keep: the log of every look, the year, the photographs, where everything is."""
