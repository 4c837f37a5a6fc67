"""What is said of looks in words and as plain values, by the command line and by the window where it says the same."""
