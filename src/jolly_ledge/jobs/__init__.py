"""Long work beside the window: requests with a number and a revision, and runners that work them out somewhere."""
