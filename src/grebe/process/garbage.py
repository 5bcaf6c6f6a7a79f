"""When Python looks for garbage in a window: not before its first picture, and never again through
what is there for good."""

from __future__ import annotations

import gc


def put_off_collection() -> None:
    """Look for none until `leave_out_what_is_there`: while all is being made nothing is garbage,
    and looking for it is a tenth of the time until there is a picture."""
    gc.disable()


def leave_out_what_is_there() -> None:
    """Look for garbage from now on, but not among what there is: modules, stations and widgets stay
    until the end, and looking through all of them holds up what is drawn."""
    gc.freeze()
    gc.enable()
