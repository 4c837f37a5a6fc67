"""Values: what a plan is, in plain and unchanging words and numbers."""
