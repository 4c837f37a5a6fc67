"""What can be written for others: one module for each, from a plan to the bytes of a file."""
