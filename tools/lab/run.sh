#!/bin/sh
# Grebe against what performers have: PipeWire, the kernel's sequencer, USB boxes, sound cards, as far
# as this machine has them; the last lines say what it had not.
# Usage: tools/lab/run.sh VENV [TESTS...]
set -u
venv=$1
shift
[ $# -gt 0 ] || set -- tests/lab tests/engine/test_pipewire.py
here=$(cd "$(dirname "$0")" && pwd)
if [ "$(id -u)" = 0 ] && [ "$(uname -m)" = x86_64 ] && command -v apt-get >/dev/null; then
    "$here/alsa/build.sh" || echo "The ALSA lab could not be built: its cases are left out." >&2
fi
export GREBE_LAB=down
"$here/alsa/lab" up && GREBE_LAB=up
QT_QPA_PLATFORM=offscreen "$venv/bin/python" -m pytest -rs "$@"
status=$?
"$here/alsa/lab" down
exit $status
