"""Threads that nobody asked for."""

from __future__ import annotations

import os
import subprocess
import sys

SCRIPT = """
import os, grebe, numpy, scipy.linalg
numpy.linalg.lstsq(numpy.random.rand(300, 100), numpy.random.rand(300))
status = open("/proc/self/status").read()
print(os.environ["OPENBLAS_NUM_THREADS"], status.partition("Threads:")[2].split()[0])
"""


def test_linear_algebra_has_no_threads_of_its_own() -> None:
    """They would spin beside what plays; whoever wants them says so in the environment."""
    bare = {k: v for k, v in os.environ.items() if k != "OPENBLAS_NUM_THREADS"}

    def said(**more: str) -> list[str]:
        return subprocess.check_output(
            [sys.executable, "-c", SCRIPT], env=bare | more, text=True
        ).split()

    assert said() == ["1", "1"]
    assert said(OPENBLAS_NUM_THREADS="3")[0] == "3"
