"""What is to be done and when: working order, tape figures, pulls, tools, time, shopping, what is due, the season."""
