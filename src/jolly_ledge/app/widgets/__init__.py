"""Small parts that several views share."""
