"""Render: display lists played with QtGui, the same for screen, PNG, PDF and SVG."""
