"""Values, geometry and edits: what a plan is and how it changes."""
