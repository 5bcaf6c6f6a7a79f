#!/bin/bash
# Tries both README commands on machines as people have them: minimal Debian 12 and 13 roots, as
# root, as a user without sudo and with it, and without a network once all is set up.
# As root, with debootstrap: tools/fresh.sh [RELEASE…]. FRESH_DIR holds the roots (kept for a second
# run); FRESH_TEST=no leaves `make test` out, which takes most of the time. Prints a table.
set -uo pipefail
here=$(cd "$(dirname "$0")/.." && pwd)
work=${FRESH_DIR:-/var/tmp/grebe-fresh}
test=${FRESH_TEST:-yes}
[ "$(id -u)" = 0 ] || { echo "Run it as root: it makes roots of their own." >&2; exit 2; }
command -v debootstrap >/dev/null || { echo "debootstrap is missing." >&2; exit 2; }
mkdir -p "$work"
bad=0

mirror() { # of this system, as apt knows it; none: debootstrap's own
    apt-get indextargets --format '$(REPO_URI)' 'Created-By: Packages' 'Component: main' 2>/dev/null |
        grep -v -e security -e updates | head -1
}

base() { # RELEASE: a minimal root with what the README asks for, packed
    [ -e "$work/$1.tar" ] && return
    rm -rf "$work/$1.base"
    debootstrap --variant=minbase --include=make,python3,ca-certificates,sudo,adduser \
        "$1" "$work/$1.base" $(mirror) >"$work/$1.debootstrap.log" 2>&1 || return 1
    for file in /etc/resolv.conf /etc/pip.conf /etc/xdg/pip/* /etc/hosts \
        /etc/ssl/certs/ca-certificates.crt /etc/apt/apt.conf.d/*proxy*; do
        if [ -e "$file" ]; then
            mkdir -p "$work/$1.base$(dirname "$file")"
            cp -L "$file" "$work/$1.base$file"
        fi
    done
    chroot "$work/$1.base" useradd -m -s /bin/bash player
    tar -C "$work/$1.base" -cf "$work/$1.tar" . && rm -rf "$work/$1.base"
}

enter() { # ROOT USER NET COMMAND: in a root, as a user, with a network or without
    local net=; [ "$3" = net ] || net=-n
    local pip; pip=$(env | grep -E '^(PIP_CERT|PIP_INDEX_URL|https?_proxy|HTTPS?_PROXY|no_proxy)=' || true)
    unshare -m $net bash -c '
        mount --bind /dev "$1/dev"; mount -t proc proc "$1/proc"; mount -t tmpfs tmpfs "$1/tmp"
        mkdir -p "$1/dev/shm"
        exec chroot "$1" su - "$2" -c "$3"' - "$1" "$2" \
        "export QT_QPA_PLATFORM=offscreen $(echo "$pip" | tr '\n' ' '); cd ~/grebe || exit 7; $4"
}

# `make demo` runs until its window is there, then is told to end, as by logging out.
demo='make demo >demo.log 2>&1 & pid=$!
for n in $(seq 1 900); do
    if ls ~/.local/state/grebe/window-*.json >/dev/null 2>&1; then
        sleep 2
        kill -TERM $(grep -lz "^demo$" /proc/[0-9]*/cmdline | grep -v "/$pid/" | head -1 | cut -d/ -f3)
        wait $pid; status=$?
        grep crash demo.log && exit 9
        exit $status
    fi
    kill -0 $pid 2>/dev/null || { wait $pid; status=$?; tail -5 demo.log; exit $status; }
    sleep 0.5
done; exit 8'

row() { # RELEASE CASE STATUS SECONDS
    local word=good; [ "$3" = 0 ] || { word="failed ($3)"; bad=1; }
    printf '%-10s %-46s %-12s %5s s\n' "$1" "$2" "$word" "$4"
}

try() { # RELEASE NAME ROOT USER NET COMMAND
    local began=$SECONDS
    enter "$3" "$4" "$5" "$6" >"$work/$1-${2// /-}.log" 2>&1
    row "$1" "$2" $? $((SECONDS - began))
}

new() { # RELEASE NAME USER: another root from the base, with a clone in the user's home
    local root=$work/$1.$2 home=/root
    [ "$3" = root ] || home=/home/$3
    rm -rf "$root"; mkdir -p "$root"; tar -C "$root" -xf "$work/$1.tar"
    git clone -q "$here" "$root$home/grebe"
    rm -rf "$root$home/grebe/.git"
    [ "$3" = root ] || chroot "$root" chown -R "$3:$3" "$home/grebe"
    echo "$root"
}

for release in "${@:-bookworm trixie}"; do for release in $release; do
    base "$release" || { row "$release" "debootstrap" 1 0; continue; }

    root=$(new "$release" root root)
    try "$release" "make demo, as root" "$root" root net "$demo"
    try "$release" "make demo again, no network" "$root" root none "$demo"
    if [ "$test" = yes ]; then
        try "$release" "make test, as root" "$root" root net "make test"
    fi
    du -sm "$root/root/grebe/.venv" | awk -v r="$release" '{print r, "environment:", $1, "MB"}'
    rm -rf "$root"

    root=$(new "$release" user player)
    began=$SECONDS
    enter "$root" player net "make demo" >"$work/$release-user-first.log" 2>&1
    status=$?
    line=$(grep -o 'sudo apt-get update.*' "$work/$release-user-first.log")
    [ $status != 0 ] && [ -n "$line" ]
    row "$release" "as a user without sudo: the line is printed" $? $((SECONDS - began))
    unshare -m bash -c 'mount --bind /dev "$1/dev"; mount -t proc proc "$1/proc"
        exec chroot "$1" bash -c "$2"' - "$root" "export DEBIAN_FRONTEND=noninteractive; ${line//sudo /} -y" \
        >"$work/$release-user-line.log" 2>&1
    row "$release" "the line printed, as it stands" $? $((SECONDS - began))
    try "$release" "make demo after it, as that user" "$root" player net "$demo"
    rm -rf "$root"

    root=$(new "$release" sudo player)
    echo 'player ALL=(ALL) NOPASSWD: ALL' >"$root/etc/sudoers.d/player"
    try "$release" "make demo, as a user with sudo" "$root" player net "$demo"
    try "$release" "interrupted, then again" "$root" player net \
        "rm -rf .venv; (timeout 6 make demo; true); $demo"
    rm -rf "$root"
done; done
exit $bad
