"""Cautions: physical and household facts to heed, kept apart from every score."""
