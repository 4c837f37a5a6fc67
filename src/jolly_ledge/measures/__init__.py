"""What readings are measured with: frames, levels, hues, likeness, counts; how a measure becomes a loss."""
