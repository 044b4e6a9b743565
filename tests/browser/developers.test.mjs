// The pack of the demo for every platform, put into real projects with the platforms' own tools.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { HtmlValidate } from 'html-validate';
import stylelint from 'stylelint';
import ts from 'typescript';
import { build as bundle } from 'vite';
import { launch, newPage } from './browser.mjs';
import { root, serve } from './server.mjs';

const here = join(root, 'tests/browser');
const folder = mkdtempSync(join(tmpdir(), 'kalypto-developers-'));
let server, browser, page, files;

const has = program => {
  try {
    execFileSync('which', [program], { stdio: 'pipe' });
    return true;
  } catch {
    return false;
  }
};
const run = (program, args, cwd = folder) => {
  try {
    return execFileSync(program, args, { cwd, encoding: 'utf8', stdio: 'pipe', maxBuffer: 1e8 });
  } catch (error) {
    throw new Error(`${program} ${args.join(' ').slice(0, 300)}\n${error.stdout}\n${error.stderr}`);
  }
};
const text = path => Buffer.from(files[path]).toString();
const write = (path, content) => {
  mkdirSync(dirname(join(folder, path)), { recursive: true });
  writeFileSync(join(folder, path), content);
};

// Beside the demo: two equal flags under their own names, forms for dark grounds and a language, words in a face of its own, a switch with states.
const more = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 200">
  <g id="flag-re [icon]"><path d="M4 4h24v16H4z" fill="#b8402a"/><path d="M4 4h12v16H4z" fill="#173a45"/></g>
  <g id="flag-bl [icon]" transform="translate(40)"><path d="M4 4h24v16H4z" fill="#b8402a"/><path d="M4 4h12v16H4z" fill="#173a45"/></g>
  <g id="badge [logo png@1x,2x -tint]"><circle cx="100" cy="40" r="30" fill="#2c6e54"/><text x="100" y="48" text-anchor="middle" font-family="Lato" font-weight="700" font-size="20" fill="#fff">L&amp;O</text></g>
  <g id="badge-dark [logo twin:dark]"><circle cx="180" cy="40" r="30" fill="#9fd0b8"/><path d="M170 30h20v20h-20z"/></g>
  <path id="compass [icon tint mirror alt:To_the_north]" d="M240 10l12 30h-24z" fill="#173a45"/>
  <g id="class [picture wide:120,240 webp jpeg -png]"><path d="M270 10h60v40h-60z" fill="#a8690f"/></g>
  <g id="hello [picture png8 gif]"><path d="M340 10h30v30h-30z" fill="#f3d9a0"/></g>
  <g id="hello-de [picture twin:de]"><path d="M340 60h30v30h-30z" fill="#f3d9a0"/><path d="M345 65h5v5h-5z"/></g>
  <g id="reserve [button stretch]"><rect x="250" y="100" width="130" height="48" rx="12" fill="#2c6e54"/><text x="315" y="130" text-anchor="middle" font-family="Lato" font-size="18" fill="#fff">Reserve</text></g>
  <g id="new [app-icon over:#173a45]"><path d="M10 100h60v60H10z" fill="#f3d9a0"/></g>
  <g id="new-dark [app-icon twin:dark]"><path d="M90 100h60v60H90z" fill="#9fd0b8"/></g>
  <g id="new-tinted [app-icon twin:tinted]"><path d="M170 100h60v60h-60z" fill="#888"/></g>
</svg>`;

before(async () => {
  server = await serve();
  browser = await launch();
  page = await newPage(browser);
  await page.goto(`${server.address}/projects/1`);
  await page.setInputFiles('.foot input[type=file]', { name: 'signs.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(more) });
  await page.waitForFunction(() => [...document.querySelectorAll('.design h1')].some(h => h.innerText.toLowerCase() === 'signs'), null, { timeout: 3_600_000 });
  const build = await page.evaluate(async () => {
    const post = async (end, body) => { const a = await kalypto.post(`/api/projects/1/${end}`, body); if (a.failed) { throw new Error(`${end}: ${a.message}`); } return a; };
    for (const platform of ['windows', 'flutter', 'folders']) {
      await post('platforms', { platform, on: true });
    }
    await post('recipes', { do: 'code', className: 'Pictures', kotlinPackage: 'org.larkrise.visits', namespace: 'Larkrise.Visits', isWpf: false });
    const design = 3;
    const bench = await kalypto.get(`/api/projects/1/bench/${design}/0`);
    await post('edit', { design, screen: 0, layers: bench.rows.filter(r => r.drawnTags).map(r => r.ordinal), decision: 'Ship' });
    return (await post('builds', {})).build;
  });
  await page.goto(`${server.address}/projects/1/deliveries`);
  await page.waitForFunction(() => (document.querySelector('.build')?.dataset.state ?? 'running') !== 'running', null, { timeout: 3_600_000 });
  assert.equal(await page.locator('.build').first().getAttribute('data-state'), 'done', await page.locator('.build').first().innerText());
  files = unzipSync(await (await page.request.get(`${server.address}/projects/1/builds/${build}.zip`)).body());
  for (const [path, bytes] of Object.entries(files)) {
    write(path, bytes);
  }
}, { timeout: 3_600_000 });
after(async () => {
  await browser?.close();
  await server?.stop();
});

test('the manifest lists every other file of the zip by its hash', () => {
  const manifest = JSON.parse(text('manifest.json'));
  const listed = [...manifest.files, ...manifest.sideFiles];
  assert.deepEqual(listed.map(f => f.path).sort(), Object.keys(files).filter(f => f !== 'manifest.json').sort());
  for (const { path, bytes, sha256 } of listed) {
    assert.deepEqual([files[path].length, createHash('sha256').update(files[path]).digest('hex')], [bytes, sha256], path);
  }
});

test('what has a name of its own is there by it, and no letter needs a font', () => {
  assert.ok(files['web/flag-re.svg'] && files['web/flag-bl.svg']);
  for (const path of Object.keys(files).filter(f => f.endsWith('.svg') && !f.includes('folders'))) {
    assert.ok(!/<text|font-family/.test(text(path)), path);
    assert.ok(path.endsWith('sprite.svg') || /viewBox="0 0 /.test(text(path)), path);
    const ids = [...text(path).matchAll(/\sid="([^"]+)"/g)].map(m => m[1]);
    assert.deepEqual(ids, [...new Set(ids)], path);
  }
});

test('Android: aapt2 compiles and links every resource, and Kotlin finds each name', { skip: !has('aapt2') || !existsSync('/usr/share/android-framework-res/framework-res.apk') ? 'aapt2 is not on this machine' : false }, () => {
  write('AndroidManifest.xml', '<manifest xmlns:android="http://schemas.android.com/apk/res/android" package="org.larkrise.visits"><application android:label="Larkrise"/></manifest>');
  assert.ok(['ldpi', 'mdpi', 'hdpi', 'xhdpi', 'xxhdpi', 'xxxhdpi'].every(d => files[`android/res/drawable-${d}/reserve.9.png`]), 'a button that stretches is a nine-patch in every density');
  run('aapt2', ['compile', '--dir', 'android/res', '-o', 'compiled.zip']);
  run('aapt2', ['link', '-o', 'linked.apk', '-I', '/usr/share/android-framework-res/framework-res.apk', '--manifest', 'AndroidManifest.xml', '--java', 'gen', '--min-sdk-version', '24', '--target-sdk-version', '29', '--auto-add-overlay', 'compiled.zip']);
  const resources = new Set([...readFileSync(join(folder, 'gen/org/larkrise/visits/R.java'), 'utf8').split('class drawable')[1].split('}')[0].matchAll(/int (\w+)=/g)].map(m => m[1]));
  const asked = [...text('android/Pictures.kt').matchAll(/R\.drawable\.(\w+)/g)].map(m => m[1]);
  assert.ok(asked.length > 8);
  assert.deepEqual(asked.filter(a => !resources.has(a)), []);
  assert.ok(files['android/res/drawable-night/badge.xml'] || files['android/res/drawable-night-xhdpi/badge.png']);
  assert.match(text('android/res/drawable/compass.xml'), /android:autoMirrored="true"\s+android:tint="\?android:attr\/colorControlNormal"/);
});

test('Kotlin compiles the names against the generated R', { skip: !has('kotlinc') || !has('javac') || !has('aapt2') ? 'kotlinc is not on this machine' : false }, () => {
  run('javac', ['-d', 'classes', 'gen/org/larkrise/visits/R.java']);
  try {
    run('kotlinc', ['-nowarn', '-cp', 'classes', '-d', 'names.jar', 'android/Pictures.kt']);
  } catch (error) {
    // The compiler of Debian 12 is older than its Java and does not start on every machine.
    if (!/error: unresolved|error: expecting/.test(error.message) && /Exception|NoClassDef/.test(error.message)) {
      return;
    }
    throw error;
  }
  assert.ok(existsSync(join(folder, 'names.jar')));
});

test('TypeScript: the names hold under --strict, and in a bundle every picture resolves', async () => {
  symlinkSync(join(here, 'node_modules'), join(folder, 'node_modules'));
  write('web/main.ts', 'import { pictures, type Picture } from "./pictures";\nconst all: readonly Picture[] = Object.values(pictures);\ndocument.body.innerHTML = all.flatMap(p => [p.src, ...p.sources.map(s => s.src)]).map(s => `<img src="${s}">`).join("");\nconst typed: number = pictures.flagRe.width;\nconsole.log(typed, all.length);\n');
  write('web/index.html', '<!doctype html><html lang="en"><head><title>t</title></head><body><script type="module" src="./main.ts"></script></body></html>');
  const program = ts.createProgram([join(folder, 'web/main.ts')], { strict: true, noEmit: true, noUncheckedIndexedAccess: true, exactOptionalPropertyTypes: true, target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.ESNext, moduleResolution: ts.ModuleResolutionKind.Bundler, lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'], types: [] });
  assert.deepEqual(ts.getPreEmitDiagnostics(program).map(d => ts.flattenDiagnosticMessageText(d.messageText, '\n')), []);
  await bundle({ root: join(folder, 'web'), base: './', logLevel: 'error', configFile: false, build: { outDir: join(folder, 'bundle'), assetsInlineLimit: 0, emptyOutDir: true, minify: false } });
  const emitted = readdirSync(join(folder, 'bundle'), { recursive: true }).filter(f => /\.(svg|png|jpe?g|webp|avif|gif)$/.test(f));
  const wanted = new Set([...text('web/pictures.ts').matchAll(/new URL\("\.\/([^"]+)"/g)].map(m => m[1]));
  const differing = new Set([...wanted].map(w => createHash('sha256').update(files[`web/${w}`]).digest('hex')));
  assert.ok(wanted.size > 20 && emitted.length >= differing.size, `${emitted.length} of ${differing.size} pictures are in the bundle`);
  // As a page of it shows them.
  const { createServer } = await import('node:http');
  const pages = createServer((request, response) => {
    const path = join(folder, 'bundle', decodeURIComponent(new URL(request.url, 'http://x').pathname.replace(/\/$/, '/index.html')));
    response.writeHead(existsSync(path) ? 200 : 404, { 'content-type': /html$/.test(path) ? 'text/html' : /js$/.test(path) ? 'text/javascript' : /svg$/.test(path) ? 'image/svg+xml' : '' }).end(existsSync(path) ? readFileSync(path) : '');
  });
  await new Promise(resolve => pages.listen(0, '127.0.0.1', resolve));
  const shown = await (await browser.newContext()).newPage();
  await shown.goto(`http://127.0.0.1:${pages.address().port}/`);
  await shown.waitForFunction(() => document.images.length > 20 && [...document.images].every(i => i.complete));
  assert.deepEqual(await shown.evaluate(() => [...document.images].filter(i => !i.naturalWidth).map(i => i.src)), []);
  await shown.close();
  pages.close();
});

test('C#: the names compile with every warning as an error', () => {
  write('csharp/names.csproj', '<Project Sdk="Microsoft.NET.Sdk"><PropertyGroup><TargetFramework>net10.0</TargetFramework><OutputType>Library</OutputType><Nullable>enable</Nullable><ImplicitUsings>disable</ImplicitUsings><TreatWarningsAsErrors>true</TreatWarningsAsErrors><AnalysisLevel>latest-recommended</AnalysisLevel><GenerateDocumentationFile>true</GenerateDocumentationFile></PropertyGroup></Project>');
  write('csharp/Pictures.cs', files['windows/Pictures.cs']);
  write('csharp/Use.cs', 'namespace Larkrise.Visits.Use\n{\n    internal static class Use\n    {\n        internal static string Flag() => Larkrise.Visits.Pictures.FlagRe + Larkrise.Visits.Pictures.Class;\n    }\n}\n');
  write('csharp/Directory.Build.props', '<Project/>');
  write('csharp/Directory.Packages.props', '<Project/>');
  assert.doesNotMatch(run('dotnet', ['build', '-c', 'Release', '--nologo', '-v', 'quiet'], join(folder, 'csharp')), /warning|error/);
  for (const [, address] of text('windows/Pictures.cs').matchAll(/"ms-appx:\/\/\/([^"]+)"/g)) {
    const [, bare, ending] = address.match(/(.*)(\.\w+)$/);
    assert.ok(Object.keys(files).some(f => f.startsWith(`windows/${bare}.`) && f.endsWith(ending)), address);
  }
});

test('HTML, CSS and the web manifest are valid, and name files that are there', async () => {
  const page = `<!DOCTYPE html>\n<html lang="en">\n<head>\n<title>Larkrise</title>\n${text('web/site-icons.html')}</head>\n<body>\n${text('web/pictures.html')}</body>\n</html>\n`;
  const report = await new HtmlValidate({ extends: ['html-validate:standard'], rules: { 'no-trailing-whitespace': 'error', 'void-style': 'off', 'no-inline-style': 'error' } }).validateString(page);
  assert.deepEqual(report.results.flatMap(r => r.messages.map(m => `${m.line}: ${m.message}`)), []);
  const linted = await stylelint.lint({ code: text('web/pictures.css'), config: { extends: join(here, 'node_modules/stylelint-config-standard/index.js') } });
  assert.deepEqual(linted.results.flatMap(r => [...r.warnings, ...r.parseErrors].map(w => `${w.line}: ${w.text}`)), []);
  const named = [...(page + text('web/pictures.css')).matchAll(/(?:src="|data="|href="|url\("|srcset="|, )([\w/@.-]+\.(?:png|jpg|webp|avif|svg|gif|ico))/g)].map(m => m[1]);
  assert.ok(named.length > 40);
  assert.deepEqual(named.filter(n => !files[`web/${n}`]), []);
  assert.match(text('web/pictures.css'), /@media \(prefers-color-scheme: dark\) \{\n {2}\.badge \{/);
  assert.match(text('web/pictures.html'), /alt="To the north"/);
  const manifest = JSON.parse(text('web/site.webmanifest'));
  assert.deepEqual([typeof manifest.name, manifest.start_url, manifest.icons.length], ['string', '.', 3]);
});

test('every picture opens in a browser, every text is well-formed', async () => {
  const types = { png: 'image/png', jpg: 'image/jpeg', webp: 'image/webp', avif: 'image/avif', gif: 'image/gif', svg: 'image/svg+xml', ico: 'image/x-icon' };
  const wrong = [];
  for (const [path, bytes] of Object.entries(files)) {
    const ending = path.split('.').at(-1);
    if (types[ending]) {
      const size = await page.evaluate(async url => { const i = new Image(); i.src = url; try { await i.decode(); return i.naturalWidth; } catch { return 0; } }, `data:${types[ending]};base64,${Buffer.from(bytes).toString('base64')}`);
      if (!size && !path.endsWith('sprite.svg')) {
        wrong.push(path);
      }
    } else if (ending === 'json' || ending === 'webmanifest') {
      JSON.parse(text(path));
    } else if (ending === 'xml') {
      const error = await page.evaluate(xml => new DOMParser().parseFromString(xml, 'application/xml').querySelector('parsererror')?.textContent, text(path));
      assert.equal(error, undefined, path);
    }
  }
  assert.deepEqual(wrong, []);
});
