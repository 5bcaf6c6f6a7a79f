#!/bin/sh
# Sets up what Grebe needs on Debian or Ubuntu: system libraries with apt where
# that is allowed, then the Python packages of requirements.lock in a virtual
# environment. Usage: tools/setup.sh VENV
set -eu
venv=$1
here=$(cd "$(dirname "$0")/.." && pwd)

# Qt's platform plugins, JACK with its dummy driver, the ALSA library, venv.
packages="python3-venv jackd2 libasound2 libdbus-1-3 libegl1 libfontconfig1 libgl1 libglib2.0-0
libportaudio2 libxcb-cursor0 libxcb-icccm4 libxcb-image0 libxcb-keysyms1 libxcb-randr0 libxcb-render-util0
libxcb-shape0 libxcb-xinerama0 libxcb-xkb1 libxkbcommon-x11-0 libxkbcommon0 xvfb"

installed() { # a library may be called NAMEt64 since 2024
    dpkg-query -W -f='${Status}\n' "$1" "$1t64" 2>/dev/null | grep -q '^install ok installed$'
}

missing=
if command -v dpkg-query >/dev/null; then
    for name in $packages; do
        installed "$name" || missing="$missing $name"
    done
fi
if [ -n "$missing" ]; then
    if [ "$(id -u)" = 0 ] || sudo -n true 2>/dev/null; then
        as_root=; [ "$(id -u)" = 0 ] || as_root=sudo
        $as_root apt-get update -qq
    else
        as_root=no
    fi
    wanted=
    for name in $missing; do # since 2024 some libraries are called NAMEt64
        apt-cache show "${name}t64" >/dev/null 2>&1 && name=${name}t64
        wanted="$wanted $name"
    done
    missing=$wanted
    if [ "$as_root" = no ]; then
        echo "Some system libraries are missing. Install them, then run this again:" >&2
        echo "sudo apt-get install --no-install-recommends$missing" >&2
        exit 1
    fi
    echo "Installing system libraries:$missing"
    # jackd2 asks about real-time priority; the answer can be changed later.
    $as_root env DEBIAN_FRONTEND=noninteractive \
        apt-get install -y -qq --no-install-recommends $missing >/dev/null
fi

python=
for candidate in python3.13 python3.12 python3.11 python3; do
    if command -v "$candidate" >/dev/null &&
        "$candidate" -c 'import sys, venv, ensurepip; sys.exit(sys.version_info < (3, 11))' 2>/dev/null; then
        python=$candidate
        break
    fi
done
if [ -z "$python" ]; then
    echo "Grebe needs Python 3.11 or later with venv; Debian 12 and Ubuntu 24.04 have it." >&2
    exit 1
fi
echo "Setting up $venv with $($python --version)"
[ -x "$venv/bin/python" ] || $python -m venv "$venv"
"$venv/bin/pip" install --quiet --no-compile --disable-pip-version-check -r "$here/requirements.lock"
"$venv/bin/pip" install --quiet --disable-pip-version-check --no-deps --no-build-isolation -e "$here"
