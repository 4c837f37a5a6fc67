"""Photographs as measuring tools and as sources of colours and outlines. No Qt."""
