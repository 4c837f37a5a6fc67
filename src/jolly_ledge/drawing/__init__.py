"""Drawing: what is to be seen, as lists of shapes and texts without any toolkit."""
