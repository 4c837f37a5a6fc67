"""Gather: the stash, by hand, from lists and from photographs."""
