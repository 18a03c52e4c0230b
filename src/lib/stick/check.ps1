# Checks every file on this stick against the sum that was taken when it was written, and that none of them is missing.
# Run it from the stick: powershell -ExecutionPolicy Bypass -File check.ps1

# Filled in when the stick is written: how many files SHA256SUMS lists, and its own sum.
$listed = '@FILES@'
$listSum = '@SUMS@'

Set-Location -LiteralPath (Split-Path -Parent $MyInvocation.MyCommand.Path)

$hasher = [System.Security.Cryptography.SHA256]::Create()
$checked = 0
$wrong = 0

function Get-Sum($file) {
    $stream = [System.IO.File]::OpenRead($file)
    $sum = -join ($hasher.ComputeHash($stream) | ForEach-Object { $_.ToString('x2') })
    $stream.Close()
    return $sum
}

$list = Join-Path $PWD 'SHA256SUMS'
if (-not (Test-Path -LiteralPath $list -PathType Leaf)) {
    Write-Output 'missing: SHA256SUMS, the list of what is on the stick. Write the stick anew.'
    exit 1
}
if ((Get-Sum $list) -ne $listSum) {
    Write-Output 'changed: SHA256SUMS, the list of what is on the stick. Write the stick anew.'
    exit 1
}

foreach ($line in [System.IO.File]::ReadAllLines($list)) {
    $expected, $path = $line -split '  ', 2
    if (-not $path) { continue }
    $checked++
    $file = Join-Path $PWD $path
    if (-not (Test-Path -LiteralPath $file -PathType Leaf)) {
        Write-Output "missing: $path"
        $wrong++
        continue
    }
    if ((Get-Sum $file) -ne $expected) {
        Write-Output "changed: $path"
        $wrong++
    }
}

if ($checked -ne [int]$listed) {
    Write-Output "$checked of $listed files were looked at. Write the stick anew."
    exit 1
}
if ($wrong -eq 0) {
    Write-Output "All $checked files are as they were written."
    exit 0
}
Write-Output "$wrong of $checked files are not as they were written. Write the stick anew."
exit 1
