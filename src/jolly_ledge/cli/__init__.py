"""The command line: the same core without a window, one module for each family of commands."""
