import fs from 'node:fs'
import path from 'node:path'
import ts from 'typescript'
// file -> list of [start-of-title regexp, target]
const plan = {
  'core/feed/workshop.test.ts': [['the generic feeds','feeds'],['a rule in any','rate'],['the measuring planner','planner'],['salts and water','water'],['a blend','blend'],['the ladder of feeds','programme'],['volumes','volumes'],['signs','signs']],
  'core/feed/feed.test.ts': [['the label','feed'],['strength and dose','dose'],['the stages','stage'],['measuring','measuring'],['what cannot','dose']],
  'core/season/season.test.ts': [['days','day'],['a sowing in one','sentence'],['a planned sowing','sowing'],['what a season asks','demand'],['the smallest set','repair'],['simulated','simulate'],['light and','light'],['today','today'],['repeats','sentence']],
  'core/media/making.test.ts': [['containers filled','filling'],['the sieve','sieve'],['hot water','hot-water'],['the timetable','../bench/timetable'],['stretching','reuse'],['the finder’s','finder']],
  'core/media/media.test.ts': [['materials','materials'],['the retention','retention'],['numerical','../numeric/gauss-legendre'],['air and water','container-physics'],['chemistry','chemistry'],['days of food','food']],
  'core/media/batch.test.ts': [['a recipe in per','recipe'],['from containers','batch'],['coir, peat','hydration'],['scoops','scoops'],['extras, tubs','mix-plan'],['dragging','recipe'],['what cannot','batch-request'],['warns of salts','batch'],['gives a taper','batch']],
  'core/containers/containers.test.ts': [['container volume','shape'],['the catalogue','catalogue'],['lets a volume','catalogue']],
  'core/units/units.test.ts': [['the unit table','unit-table'],['reading what','parse'],['printing','format']],
  'core/sowing/sowing.test.ts': [['days to','emergence'],['odds','odds'],['the book','crops']],
  'core/stores/stores.test.ts': [['a pack','goods'],['the cheapest','shopping'],['drawing','draw'],['what a batch','needs']],
  'core/bench/steps.test.ts': [['the steps of a batch','batch-steps'],['the steps of a feed','feed-steps']],
}
const out = {} // target path -> {imports:Set, decls:[], blocks:[]}
const importsOf = (sf, from, to) => sf.statements.filter(ts.isImportDeclaration).map((d) => {
  let t = d.getText()
  const spec = d.moduleSpecifier.text
  if (spec.startsWith('.')) {
    let abs = path.normalize(path.join(path.dirname(from), spec))
    let rel = path.relative(path.dirname(to), abs)
    if (!rel.startsWith('.')) rel = './' + rel
    t = t.replace(`'${spec}'`, `'${rel}'`)
  }
  return t
})
const add = (from, targets) => {
  const text = fs.readFileSync(from, 'utf8')
  const sf = ts.createSourceFile(from, text, ts.ScriptTarget.Latest, true)
  const decls = []
  let full = (s) => text.slice(s.getFullStart(), s.end).replace(/^\n+/, '')
  const used = new Set()
  for (const s of sf.statements) {
    if (ts.isImportDeclaration(s)) continue
    const call = ts.isExpressionStatement(s) && s.getText().match(/^(describe|it|test)(\.\w+)*\(/)
    if (!call) { decls.push(full(s)); continue }
    const title = s.getText().match(/\(\s*['"`]([^'"`]*)/)[1]
    const hit = targets.find(([t], i) => title.startsWith(t) )
    if (!hit) { console.log('NO TARGET', from, title); continue }
    const to = path.normalize(path.join(path.dirname(from), hit[1] + '.test.ts'))
    out[to] ??= { imports: [], decls: [], blocks: [] }
    out[to].imports.push(...importsOf(sf, from, to))
    out[to].blocks.push(full(s))
    out[to].decls.push(...decls)
  }
  // helper declarations that stand after a block (functions) are given to all
  for (const to of Object.keys(out)) if (path.dirname(to).startsWith('core')) ;
  const late = decls
  for (const [t, name] of targets) {
    const to = path.normalize(path.join(path.dirname(from), name + '.test.ts'))
    out[to]?.decls.push(...late)
  }
}
for (const [from, targets] of Object.entries(plan)) add(from, targets)
const existing = (to) => fs.existsSync(to) && !plan[to]
for (const to of Object.keys(out)) if (existing(to)) {
  const text = fs.readFileSync(to, 'utf8')
  const sf = ts.createSourceFile(to, text, ts.ScriptTarget.Latest, true)
  const body = sf.statements.filter((s) => !ts.isImportDeclaration(s)).map((s) => text.slice(s.getFullStart(), s.end).replace(/^\n+/, ''))
  out[to].imports.unshift(...importsOf(sf, to, to))
  out[to].decls = [...out[to].decls]
  out[to].blocks = [...body, ...out[to].blocks]
}
for (const from of Object.keys(plan)) fs.unlinkSync(from)
const files = {}
for (const [to, { imports, decls, blocks }] of Object.entries(out)) {
  let ds = [...new Set(decls)]
  const nameOf = (d) => d.match(/(?:const|function|type|interface)\s+(\w+)/)?.[1]
  // keep only those used, transitively
  let keep = []
  for (;;) {
    const more = ds.filter((d) => !keep.includes(d) && nameOf(d) && new RegExp(`\\b${nameOf(d)}\\b`).test([...keep, ...blocks].join('\n')) && !blocks.some((b) => new RegExp(`^(?:/\\*.*\\*/\\s*)?(?:const|function) ${nameOf(d)}\\b`, 'm').test(b)))
    if (!more.length) break
    keep.push(...more)
  }
  keep = ds.filter((d) => keep.includes(d))
  files[to] = [...new Set(imports)].join('\n') + '\n\n' + keep.join('\n') + '\n\n' + blocks.join('\n\n') + '\n'
}
for (const [f, t] of Object.entries(files)) fs.writeFileSync(f, t)
// organise imports
const host = {
  getScriptFileNames: () => Object.keys(files).map((f) => path.resolve(f)),
  getScriptVersion: () => '1',
  getScriptSnapshot: (f) => fs.existsSync(f) ? ts.ScriptSnapshot.fromString(fs.readFileSync(f, 'utf8')) : undefined,
  getCurrentDirectory: () => process.cwd(),
  getCompilationSettings: () => ({ module: ts.ModuleKind.ESNext, moduleResolution: ts.ModuleResolutionKind.Bundler, target: ts.ScriptTarget.ES2022, paths: { '#core/*': [path.resolve('core/*')] }, allowImportingTsExtensions: true, noEmit: true, verbatimModuleSyntax: true }),
  getDefaultLibFileName: (o) => ts.getDefaultLibFilePath(o),
  fileExists: ts.sys.fileExists, readFile: ts.sys.readFile, readDirectory: ts.sys.readDirectory, directoryExists: ts.sys.directoryExists, getDirectories: ts.sys.getDirectories,
}
const service = ts.createLanguageService(host)
for (const f of Object.keys(files)) {
  const changes = service.organizeImports({ type: 'file', fileName: path.resolve(f) }, {}, {})
  let t = fs.readFileSync(f, 'utf8')
  for (const c of changes) for (const e of [...c.textChanges].sort((a, b) => b.span.start - a.span.start)) t = t.slice(0, e.span.start) + e.newText + t.slice(e.span.start + e.span.length)
  fs.writeFileSync(f, t)
}
console.log(Object.keys(files).join('\n'))
