#!/usr/bin/env bash
# Writes the pages of docs/checks anew, out of the code.
. "$(dirname "$0")/common.sh"
dotnet build tests/Kalypto.Core.Tests -c Release --nologo -v quiet -clp:NoSummary >&2
KALYPTO_WRITE_DOCS=1 tests/Kalypto.Core.Tests/bin/Release/net10.0/Kalypto.Core.Tests -noColor -noLogo -method "*The_pages_of_the_documentation_are_those_of_the_code" | tail -n 1
