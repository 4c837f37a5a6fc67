"""The piece on the screen with its figures: what can be clicked, typed and dragged."""
