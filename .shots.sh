set -e
npx tsc -p app --noEmit
timeout 300 npx ng build > /tmp/build.log 2>&1 || { grep -E "rror|✘" /tmp/build.log; exit 1; }
