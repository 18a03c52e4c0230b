#!/bin/sh
# Checks every file on this stick against the sum that was taken when it was written.
# Run it from the stick: sh check.sh

cd "$(dirname "$0")" || exit 2

sum_of() {
  if command -v sha256sum >/dev/null 2>&1; then
    sha256sum "$1"
  elif command -v shasum >/dev/null 2>&1; then
    shasum -a 256 "$1"
  else
    openssl dgst -sha256 -r "$1"
  fi
}

checked=0
wrong=0
while read -r expected path; do
  checked=$((checked + 1))
  if [ ! -f "$path" ]; then
    echo "missing: $path"
    wrong=$((wrong + 1))
    continue
  fi
  found=$(sum_of "$path" | cut -d ' ' -f 1)
  # A name with a backslash is marked by one before the sum.
  if [ "${found#\\}" != "$expected" ]; then
    echo "changed: $path"
    wrong=$((wrong + 1))
  fi
done <SHA256SUMS

if [ "$wrong" -eq 0 ]; then
  echo "All $checked files are as they were written."
else
  echo "$wrong of $checked files are not as they were written. Write the stick anew."
  exit 1
fi
