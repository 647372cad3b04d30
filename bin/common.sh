# Sourced by the scripts beside it, once they know their own folder: finds a JDK 25, Maven and, where asked, what the
# window needs. Whatever cannot be set up ends with exit code 5 and a sentence that says what to do.
# shellcheck shell=bash
readonly SET_UP=5
root=${here%/*}

# Names and texts are UTF-8 whatever the locale says; under "C" Java could not even open a file with an umlaut.
if [ "$(locale charmap 2>/dev/null)" != UTF-8 ] && locale -a 2>/dev/null | grep -qix 'c\.utf-\?8'; then
    export LC_ALL=C.UTF-8
fi

refuse() { # sentence...
    printf '%s\n' "$@" >&2
    exit $SET_UP
}

# The release file says the version without starting anything.
is_25() { [ -x "$1/bin/javac" ] && grep -q '^JAVA_VERSION="25' "$1/release" 2>/dev/null; }

seek_jdk() {
    local home user=${HOME:-/nonexistent}
    for home in "${JAVA_HOME:-}" "${JDK_25:-}" /usr/lib/jvm/*25* /opt/*jdk*25* "$user"/.jdks/*25* \
        "$user"/.sdkman/candidates/java/25* /Library/Java/JavaVirtualMachines/*25*/Contents/Home; do
        if [ -n "$home" ] && is_25 "$home"; then
            JAVA_HOME=$home
            export JAVA_HOME
            # Keeps Maven's own libraries from warning about themselves on this JDK.
            export MAVEN_OPTS="--sun-misc-unsafe-memory-access=allow ${MAVEN_OPTS:-}"
            return 0
        fi
    done
    return 1
}

find_jdk() {
    seek_jdk && return
    if can_install && apt_offers openjdk-25-jdk; then
        install_packages openjdk-25-jdk
        seek_jdk && return
    fi
    refuse "Gullyrun needs a JDK 25, and none was found. There are three ways to get one:" \
        "  - from your system's packages, where it has them: apt-get install openjdk-25-jdk" \
        "  - from adoptium.net: unpack it into ~/.jdks, and it will be found there" \
        "  - anywhere else: set JAVA_HOME to its folder"
}

can_install() { command -v apt-get >/dev/null 2>&1 && [ "$(id -u)" = 0 ]; }

apt_offers() { # package
    refresh_packages
    LC_ALL=C apt-cache policy "$1" 2>/dev/null | grep 'Candidate:' | grep -qv '(none)'
}

refreshed=
refresh_packages() {
    [ -n "$refreshed" ] || apt-get update -qq >/dev/null || true
    refreshed=yes
}

install_packages() { # package...
    echo "Installing $* with apt-get ..." >&2
    refresh_packages
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "$@" >/dev/null ||
        refuse "The packages could not be installed. Please install them yourself: $*"
}

# Whether there is a command, or a library of that name where the system keeps them. An ordinary user's path on Debian has
# no ldconfig, and other systems have none at all.
has() { # command-or-library
    local folder
    command -v "$1" >/dev/null 2>&1 && return 0
    case "$1" in *.so*) ;; *) return 1 ;; esac
    # No pipe into grep -q: it would end the writer early, which counts as a failure here.
    [[ "$(PATH=$PATH:/sbin:/usr/sbin ldconfig -p 2>/dev/null)" == *"$1"* ]] && return 0
    for folder in /lib /usr/lib /usr/local/lib /lib64 /usr/lib64 /lib/*-linux-gnu* /usr/lib/*-linux-gnu*; do
        [ -e "$folder/$1" ] && return 0
    done
    return 1
}

need_packages() { # command-or-library package ...
    local missing=()
    while [ $# -gt 0 ]; do
        has "$1" || missing+=("$2")
        shift 2
    done
    [ ${#missing[@]} -eq 0 ] && return
    if can_install; then
        install_packages "${missing[@]}"
    else
        refuse "Please install: ${missing[*]}"
    fi
}

# One build at a time in this folder; the lock lasts as long as the process, also after an exec.
lock_build() {
    command -v flock >/dev/null 2>&1 || return 0
    exec 9>"$root/.building" || refuse "Nothing can be built in $root: it cannot be written to."
    flock -n 9 || {
        echo "Another build is under way in $root; waiting for it ..." >&2
        flock 9
    }
}
