"""Grebe: clock, patterns, scenes and songs for a live electronic performer."""

import os

__version__ = "0.1.0"

# Before a process loads NumPy or SciPy: their linear algebra would keep a thread for every
# processor, which spins while it waits. What is worked out here is done as soon without them, in
# half of the processor's time, and the other half is left to what plays.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
