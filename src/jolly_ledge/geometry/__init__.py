"""A look in space: where everything is, in which pose and outline, and where something would come to stand."""
