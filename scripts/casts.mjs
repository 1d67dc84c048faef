// Counts type casts in product code, by file: `node scripts/casts.mjs`.
import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import ts from 'typescript';
const files = execFileSync('git', ['ls-files', 'core', 'contract', 'server', 'web', 'cli', 'demo'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.ts$|core\/test\/|testServer/.test(f));
let all = 0;
const by = [];
for (const f of files) {
  const sf = ts.createSourceFile(
    f,
    readFileSync(f, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    f.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  let n = 0;
  const walk = (node) => {
    if (ts.isAsExpression(node) && node.type.getText(sf) !== 'const') n++;
    ts.forEachChild(node, walk);
  };
  walk(sf);
  all += n;
  if (n) by.push([n, f]);
}
by.sort((a, b) => b[0] - a[0]);
console.log(all);
for (const [n, f] of by.slice(0, 60)) console.log(n, f);
