"""Sensible starts for every kind of furniture, to be corrected with a tape."""
