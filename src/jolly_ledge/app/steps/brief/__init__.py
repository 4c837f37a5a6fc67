"""Brief: what a piece is for, how it is meant to look, what its use asks for."""
