#!/usr/bin/env bash
# Installs into a folder of its own and asks the desktop's own tools what a double click on a notebook would start.
#   opens-by-type.sh BUILD_DIR
set -euo pipefail
prefix=$(mktemp -d)
trap 'rm -rf "$prefix"' EXIT
cmake --install "$1" --prefix "$prefix" >/dev/null
desktop-file-validate "$prefix/share/applications/uttrin.desktop"
update-mime-database "$prefix/share/mime"
update-desktop-database "$prefix/share/applications"
export XDG_DATA_DIRS="$prefix/share:/usr/share" XDG_DATA_HOME="$prefix/home" XDG_CONFIG_HOME="$prefix/config" PATH="$prefix/bin:$PATH"

expect() { # what, got, wanted
  [[ "$2" == *"$3"* ]] || { echo "$1: got '$2', wanted '$3'"; exit 1; }
}
notebook=$prefix/share/uttrin/demo.uttrin
cp "$notebook" "$prefix/no-extension"
printf 'SQLite format 3\0' >"$prefix/foreign"
type=application/x-uttrin-notebook
expect "type by name" "$(gio info -a standard::content-type "$notebook")" "$type"
expect "type by content" "$(gio info -a standard::content-type "$prefix/no-extension")" "$type"
expect "a foreign database" "$(gio info -a standard::content-type "$prefix/foreign")" "sqlite3"
expect "what opens it" "$(gio mime "$type")" "uttrin.desktop"
echo "a double click on a notebook starts uttrin"
