"""The look on the screen: what can be picked, dragged and pointed at."""
