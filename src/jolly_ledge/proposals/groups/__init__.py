"""Groups of things: how they are built, one module for each form."""
