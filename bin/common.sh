# Sourced by the scripts beside it: finds a JDK 25, Maven and, where asked, what the window needs.
# shellcheck shell=bash
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)

# The release file says the version without starting anything.
is_25() { [ -x "$1/bin/javac" ] && grep -q '^JAVA_VERSION="25' "$1/release" 2>/dev/null; }

find_jdk() {
    local home
    for home in "${JAVA_HOME:-}" "${JDK_25:-}" /usr/lib/jvm/*25* /opt/*jdk*25* "$HOME"/.jdks/*25* \
        "$HOME"/.sdkman/candidates/java/25* /Library/Java/JavaVirtualMachines/*25*/Contents/Home; do
        if [ -n "$home" ] && is_25 "$home"; then
            JAVA_HOME=$home
            export JAVA_HOME
            # Keeps Maven's own libraries from warning about themselves on this JDK.
            export MAVEN_OPTS="--sun-misc-unsafe-memory-access=allow ${MAVEN_OPTS:-}"
            return
        fi
    done
    echo "Gullyrun needs a JDK 25. None was found; set JAVA_HOME to one." >&2
    exit 1
}

need_packages() { # command-or-library package
    local missing=()
    while [ $# -gt 0 ]; do
        # No pipe into grep -q: it would end the writer early, which counts as a failure here.
        if ! command -v "$1" >/dev/null 2>&1 && [[ "$(ldconfig -p 2>/dev/null)" != *"$1"* ]]; then
            missing+=("$2")
        fi
        shift 2
    done
    [ ${#missing[@]} -eq 0 ] && return
    if command -v apt-get >/dev/null 2>&1 && [ "$(id -u)" = 0 ]; then
        echo "Installing ${missing[*]} ..." >&2
        apt-get update -qq >/dev/null
        DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "${missing[@]}" >/dev/null
    else
        echo "Please install: ${missing[*]}" >&2
        exit 1
    fi
}

maven() {
    need_packages mvn maven
    (cd "$root" && mvn "$@")
}
