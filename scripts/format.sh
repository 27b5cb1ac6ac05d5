#!/usr/bin/env bash
# Formats the Java sources, or with --check says which are not; runs under JDK 25, beside Maven.
set -euo pipefail
cd "$(dirname "$0")/.."
classpath=target/format.classpath
if [ ! -f "$classpath" ]; then
  mkdir -p target
  mvn --batch-mode --no-transfer-progress --quiet -f scripts/format-pom.xml \
    org.apache.maven.plugins:maven-dependency-plugin:3.10.0:build-classpath \
    -Dmdep.outputFile="$PWD/$classpath"
fi
exports=()
for package in api code file parser tree util; do
  exports+=("--add-exports=jdk.compiler/com.sun.tools.javac.$package=ALL-UNNAMED")
done
mode=(--replace)
[ "${1:-}" != --check ] || mode=(--dry-run --set-exit-if-changed)
find core json picture cli benchmark schema server -path '*/src/*' -name '*.java' -print0 |
  xargs -0 "$JAVA_HOME/bin/java" \
    "${exports[@]}" \
    -classpath "$(cat "$classpath")" com.google.googlejavaformat.java.Main "${mode[@]}"
