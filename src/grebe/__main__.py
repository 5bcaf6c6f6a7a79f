"""``python -m grebe`` is the command ``grebe``."""

import sys

from grebe.cli.main import main

sys.exit(main())
