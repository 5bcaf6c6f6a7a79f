#!/bin/sh
# Builds a Debian package of this tree, with its Python packages inside. Usage: tools/deb.sh FOLDER
# It runs where it was built: the same release, the same kind of machine.
set -eu
here=$(cd "$(dirname "$0")/.." && pwd)
out=$1
mkdir -p "$out"
out=$(cd "$out" && pwd)
export PATH=/usr/bin:/bin:/usr/sbin:/sbin # the system's own Python, whichever others there are
python3 -c 'import venv, ensurepip' 2>/dev/null || {
    echo "The system's Python needs its venv module: sudo apt-get install python3-venv" >&2
    exit 1
}
arch=$(dpkg --print-architecture)
version=$(sed -n 's/^__version__ = "\(.*\)"/\1/p' "$here/src/grebe/__init__.py")
stage=$(mktemp -d)
trap 'rm -rf "$stage"' EXIT
"$here/tools/install.sh" "$stage" /usr
rm -rf "$stage/usr/lib/grebe/bin/pip"* "$stage"/usr/lib/grebe/lib/python3*/site-packages/pip*
find "$stage" -name __pycache__ -type d -prune -exec rm -rf {} +
gzip -9n "$stage/usr/share/man/man1/grebe.1"
mkdir -p "$stage/usr/share/zsh/vendor-completions" "$stage/usr/share/doc/grebe" "$stage/DEBIAN"
mv "$stage/usr/share/zsh/site-functions/_grebe" "$stage/usr/share/zsh/vendor-completions/_grebe"
rmdir "$stage/usr/share/zsh/site-functions"
cp "$here/LICENSE" "$stage/usr/share/doc/grebe/copyright"
gzip -9nc "$here/CHANGELOG.md" >"$stage/usr/share/doc/grebe/changelog.gz"
minor=$(python3 -c 'import sys; print(sys.version_info[1])')
depends="python3 (>= 3.$minor), python3 (<< 3.$((minor + 1)))"
for name in $("$here/tools/setup.sh" --libraries); do # since 2024 some are called NAMEt64
    depends="$depends, $name | ${name}t64"
done
cat >"$stage/DEBIAN/control" <<END
Package: grebe
Version: $version
Architecture: $arch
Maintainer: Grebe's developers <grebe@localhost>
Installed-Size: $(du -sk "$stage/usr" | cut -f1)
Depends: $depends, libjack-jackd2-0 | pipewire-jack
Recommends: hicolor-icon-theme
Section: sound
Priority: optional
Description: one beat for every box on stage
 Grebe keeps drum machines, sequencers, loopers and computers on one beat, tells
 each box what to play and when, and shows how close together they are.
END
find "$stage" -type d -exec chmod 755 {} +
dpkg-deb --root-owner-group -Zxz --build "$stage" "$out/grebe_${version}_$arch.deb"
