#!/bin/sh
# Installs Grebe, or with --remove takes it away again. Usage: tools/install.sh [--remove] DESTDIR PREFIX
# DESTDIR is put before every path that is written, and stands in none of them, as packagers want it.
set -eu
remove=
if [ "$1" = --remove ]; then
    remove=yes
    shift
fi
destdir=$1 prefix=$2
here=$(cd "$(dirname "$0")/.." && pwd)
case $prefix in /*) ;; *) echo "PREFIX has to be a whole path (got $prefix)" >&2; exit 2 ;; esac
home=$prefix/lib/grebe
if [ -n "$remove" ]; then
    if [ -x "$destdir$home/bin/grebe" ]; then
        "$destdir$home/bin/python" -m grebe desktop --remove --to "$destdir$prefix/share"
    fi
    rm -rf "$destdir$home"
    rm -f "$destdir$prefix/bin/grebe"
    echo "Grebe is gone from $prefix; your projects, profiles and settings stay."
    exit 0
fi
mkdir -p "$destdir$home" "$destdir$prefix/bin"
"$here/tools/setup.sh" "$destdir$home" run
# Grebe itself as a package, not as a link into this folder.
"$destdir$home/bin/python" -m pip uninstall --quiet --yes --disable-pip-version-check grebe 2>/dev/null || true
"$destdir$home/bin/python" -m pip install --quiet --no-deps --no-build-isolation \
    --disable-pip-version-check "$here"
# Scripts name their interpreter by its whole path: by the one it will have.
if [ -n "$destdir" ]; then
    for script in "$destdir$home"/bin/*; do
        if [ -f "$script" ] && [ ! -L "$script" ] && head -c 2 "$script" | grep -q '^#!'; then
            sed -i "1s|$destdir$home|$home|" "$script"
        fi
    done
fi
ln -sf "../lib/grebe/bin/grebe" "$destdir$prefix/bin/grebe"
quiet=; [ -z "$destdir" ] || quiet=--quiet
"$destdir$home/bin/python" -m grebe desktop $quiet --to "$destdir$prefix/share" --exec "$prefix/bin/grebe"
