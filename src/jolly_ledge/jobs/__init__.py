"""Long work beside the window: frozen requests, events, one warm process."""
