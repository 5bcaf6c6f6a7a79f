#!/bin/sh
# Writes the lock files anew: what Grebe needs to run, and what its tests need besides; for every
# Python from 3.11 on and every kind of machine, with the hashes of all files. Usage: tools/lock.sh VENV
set -eu
here=$(cd "$(dirname "$0")/.." && pwd)
cd "$here"
"$1/bin/pip" install --quiet --disable-pip-version-check uv
compile() {
    "$1/bin/uv" pip compile --quiet --universal --fork-strategy fewest --python-version 3.11 --generate-hashes \
        --no-header --no-emit-index-url --no-emit-find-links --no-annotate "$2" "$3" $4
}
for kind in requirements requirements-test; do
    extra=; [ $kind = requirements ] || extra="--extra test -c requirements.lock"
    {
        echo "# Pinned, with the hashes of all files. Written by \`make lock\`."
        compile "$1" pyproject.toml tools/build.in "$extra"
    } >$kind.new
    mv $kind.new $kind.lock
done
