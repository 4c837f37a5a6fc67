"""The pages of Place: what is fetched, ticked off, bought and printed."""
