"""The six steps of the work, each with its own rooms; no step knows another."""
