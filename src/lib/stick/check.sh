#!/bin/sh
# Checks every file on this stick against the sum that was taken when it was written, and that none of them is missing.
# Run it from the stick: sh check.sh

# Filled in when the stick is written: how many files SHA256SUMS lists, and its own sum.
listed='@FILES@'
list_sum='@SUMS@'

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

if [ ! -f SHA256SUMS ]; then
  echo "missing: SHA256SUMS, the list of what is on the stick. Write the stick anew."
  exit 1
fi

found=$(sum_of SHA256SUMS | cut -d ' ' -f 1)
if [ "${found#\\}" != "$list_sum" ]; then
  echo "changed: SHA256SUMS, the list of what is on the stick. Write the stick anew."
  exit 1
fi

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

if [ "$checked" -ne "$listed" ]; then
  echo "$checked of $listed files were looked at. Write the stick anew."
  exit 1
elif [ "$wrong" -eq 0 ]; then
  echo "All $checked files are as they were written."
else
  echo "$wrong of $checked files are not as they were written. Write the stick anew."
  exit 1
fi
