"""The things of the stash at one scale: what can be picked, dragged and searched."""
