"""What a person can do, apart from the buttons and keys that do it."""
