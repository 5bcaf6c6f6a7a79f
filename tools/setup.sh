#!/bin/sh
# Sets up what Grebe needs on Debian or Ubuntu: system libraries with apt where that is allowed,
# then the Python packages of the lock files in a virtual environment.
# Usage: tools/setup.sh VENV run|test      (`test` has what `run` has, and what only tests need)
set -eu
venv=$1
kind=${2:-}
here=$(cd "$(dirname "$0")/.." && pwd)
fail() { echo "$*" >&2; exit 1; }
# System libraries: Qt's platform plugins, PortAudio, ALSA.
libraries="libasound2 libdbus-1-3 libegl1 libfontconfig1 libgl1 libglib2.0-0 libportaudio2
libxcb-cursor0 libxcb-icccm4 libxcb-image0 libxcb-keysyms1 libxcb-randr0 libxcb-render-util0
libxcb-shape0 libxcb-xinerama0 libxcb-xkb1 libxkbcommon-x11-0 libxkbcommon0"
if [ "$venv" = --libraries ]; then # for whoever makes a package
    echo $libraries
    exit 0
fi

# What cannot work is said before anything is downloaded.
case $(uname -s)-$(uname -m) in
Linux-x86_64) least=2.34 ;;
Linux-aarch64) least=2.39 ;; # Qt's packages for it are made for Debian 13 and Ubuntu 24.04
*) fail "Grebe runs on Linux on 64-bit PCs (x86_64) and ARM (aarch64); this is $(uname -s) on" \
    "$(uname -m), for which Qt's Python packages are not made." ;;
esac
glibc=$(getconf GNU_LIBC_VERSION 2>/dev/null | awk '{print $2}')
if [ -n "$glibc" ] && [ "$(printf '%s\n' "$least" "$glibc" | sort -V | head -1)" != "$least" ]; then
    fail "Qt's packages for $(uname -m) need glibc $least or later; this system has $glibc." \
        "Debian 12 (PC), Debian 13 and Ubuntu 24.04 (PC and ARM) have it."
fi
folder=$(dirname "$venv")
room=$(df -Pk "$folder" | awk 'NR == 2 {print int($4 / 1024)}')
[ -x "$venv/bin/python" ] || [ "$room" -ge 1000 ] ||
    fail "$folder has $room MB free; some 1000 MB are needed while Grebe is set up, 450 to 650 after."

# Which of them are missing here.
installed() { dpkg-query -W -f='${Status}\n' "$1" 2>/dev/null | grep -q '^install ok installed$'; }
known() { apt-cache show --no-all-versions "$1" >/dev/null 2>&1; }
missing=
add() { missing="$missing $1"; }
if command -v dpkg-query >/dev/null; then
    for name in $libraries; do # since 2024 some are called NAMEt64
        installed "$name" || installed "${name}t64" || add "$name"
    done
    # Any JACK will do, whoever brings it: another beside it would take the first one away.
    PATH=$PATH:/sbin:/usr/sbin ldconfig -p 2>/dev/null | grep -q 'libjack\.so\.0' ||
        add libjack-jackd2-0
    if [ "$kind" = test ]; then
        command -v jackd >/dev/null || add jackd2
        for name in pipewire pipewire-jack wireplumber; do # with them its tests run, too
            installed $name || ! known $name || add $name
        done
        command -v Xvfb >/dev/null || add xvfb
        command -v dbus-daemon >/dev/null || add dbus-daemon # with the next: what a screen reader hears
        [ -x /usr/libexec/at-spi-bus-launcher ] || add at-spi2-core
        command -v tshark >/dev/null || add tshark # reads MIDI over the network as others do
    fi
fi

# The first Python that works, best one that can make environments as it is. The system's own before
# others: it is compiled for speed, which one compiled by hand often is not, and a newer one may lack
# packages.
python=
for needs in "venv, ensurepip" sys; do
    for candidate in /usr/bin/python3 python3 python3.12 python3.11 python3.13 python3.14; do
        [ -z "$python" ] && command -v "$candidate" >/dev/null || continue
        "$candidate" -c "import sys, $needs; sys.exit(not (3, 11) <= sys.version_info < (3, 15))" \
            2>/dev/null || continue
        python=$candidate
    done
done
if [ -z "$python" ]; then
    fail "Grebe needs Python 3.11 to 3.14; Debian 12, Ubuntu 24.04 and later have it:" \
        "sudo apt-get update && sudo apt-get install python3 python3-venv"
fi
version=$($python -c 'import sys; print("%d.%d" % sys.version_info[:2])')
$python -c 'import venv, ensurepip' 2>/dev/null || add "python$version-venv"

if [ -n "$missing" ]; then
    as_root=no
    if [ "$(id -u)" = 0 ]; then as_root=
    elif sudo -n true 2>/dev/null; then as_root=sudo
    fi
    if [ "$as_root" != no ]; then
        $as_root apt-get update -qq || echo "The lists of packages could not be renewed." >&2
    fi
    wanted=
    for name in $missing; do
        if ! known "$name" && known "${name}t64"; then name=${name}t64; fi
        if known "${name}t64"; then name=${name}t64; fi
        wanted="$wanted $name"
    done
    line="apt-get install --no-install-recommends --no-remove$wanted"
    if [ "$as_root" = no ]; then
        echo "Some system libraries are missing. Install them, then run this again:" >&2
        echo "    sudo apt-get update && sudo $line" >&2
        exit 1
    fi
    echo "Installing system libraries:$wanted"
    # --no-remove: nothing that is installed goes. jackd2 asks about priority; that can wait.
    $as_root env DEBIAN_FRONTEND=noninteractive $line -y -qq >/dev/null ||
        fail "The system libraries could not be installed. By hand: sudo $line"
fi

# The environment: begun anew where it was not finished, or is of another Python.
unfinished=$venv/.unfinished
has=$("$venv/bin/python" -c 'import sys; print("%d.%d" % sys.version_info[:2])' 2>/dev/null || true)
if [ -e "$unfinished" ] || { [ -d "$venv" ] && [ "$has" != "$version" ]; }; then
    echo "Beginning $venv anew."
    rm -rf "$venv"
fi
if [ ! -x "$venv/bin/python" ]; then
    echo "Setting up $venv with $($python --version), for $kind"
    mkdir -p "$venv"
    touch "$unfinished"
    $python -m venv "$venv"
fi
touch "$unfinished"
pip() { "$venv/bin/python" -m pip --disable-pip-version-check "$@"; }
lock=$here/requirements.lock
[ "$kind" = run ] || lock=$here/requirements-test.lock
# The lock has all that is needed by what it names: nothing has to be looked for.
pip install --quiet --no-compile --no-deps --require-hashes --only-binary :all: -r "$lock" ||
    fail "The Python packages could not be installed. Is there a network? Run this again: it goes on."
pip install --quiet --no-deps --no-build-isolation -e "$here"
rm -f "$unfinished"
