"""What stands beside the drawing."""
