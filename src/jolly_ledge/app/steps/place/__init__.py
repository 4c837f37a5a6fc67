"""Place: what is fetched, ticked off, bought and printed."""
