"""What an eye sees of an arrangement: marks, with what covers them and what they are seen against."""
