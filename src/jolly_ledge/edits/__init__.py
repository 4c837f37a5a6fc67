"""Edits: frozen values, each a pure function from plan to plan with a readable name."""
