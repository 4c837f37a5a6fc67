"""Whole processes timed in turns, so that a noisy machine is noisy to both."""

import os
import statistics
import subprocess
import sys
import time


def said(code: str, *arguments: str) -> str:
    """Return what a whole Python process writes."""
    # Modules are compiled once and kept, as on the machine of a user.
    environment = {**os.environ, "QT_QPA_PLATFORM": "offscreen"}
    environment.pop("PYTHONDONTWRITEBYTECODE", None)
    command = [sys.executable, "-c", code, *arguments]
    return subprocess.run(command, check=True, env=environment, stdout=subprocess.PIPE, text=True).stdout


def seconds(code: str, *arguments: str) -> float:
    """Return how long a whole Python process takes."""
    start = time.perf_counter()
    said(code, *arguments)
    return time.perf_counter() - start


def compare(name: str, code: str, baseline: str, most: float, *arguments: str, rounds: int = 21) -> None:
    """Print the ratio of two programs, run in turns."""
    seconds(code, *arguments)
    seconds(baseline)
    ours, theirs = [], []
    for _ in range(rounds):
        ours.append(seconds(code, *arguments))
        theirs.append(seconds(baseline))
    mine, base = statistics.median(ours), statistics.median(theirs)
    print(f"{name:<44}{mine * 1000:8.0f} ms  baseline {base * 1000:6.0f} ms  ratio {mine / base:.2f} (at most {most})")
