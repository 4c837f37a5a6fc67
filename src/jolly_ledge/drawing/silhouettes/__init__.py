"""How each family of things is drawn: profile curves, shades and details."""
