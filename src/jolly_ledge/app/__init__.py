"""The window: widgets, gestures and actions over the core."""
