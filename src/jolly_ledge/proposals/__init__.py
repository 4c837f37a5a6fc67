"""What the application offers by itself: moves that mend what was found."""
