# Checks every file on this stick against the sum that was taken when it was written.
# Run it from the stick: powershell -ExecutionPolicy Bypass -File check.ps1

Set-Location -LiteralPath (Split-Path -Parent $MyInvocation.MyCommand.Path)

$hasher = [System.Security.Cryptography.SHA256]::Create()
$checked = 0
$wrong = 0

foreach ($line in [System.IO.File]::ReadAllLines((Join-Path $PWD 'SHA256SUMS'))) {
    $expected, $path = $line -split '  ', 2
    if (-not $path) { continue }
    $checked++
    $file = Join-Path $PWD $path
    if (-not (Test-Path -LiteralPath $file -PathType Leaf)) {
        Write-Output "missing: $path"
        $wrong++
        continue
    }
    $stream = [System.IO.File]::OpenRead($file)
    $found = -join ($hasher.ComputeHash($stream) | ForEach-Object { $_.ToString('x2') })
    $stream.Close()
    if ($found -ne $expected) {
        Write-Output "changed: $path"
        $wrong++
    }
}

if ($wrong -eq 0) {
    Write-Output "All $checked files are as they were written."
    exit 0
}
Write-Output "$wrong of $checked files are not as they were written. Write the stick anew."
exit 1
