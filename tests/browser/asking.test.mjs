// Between two deliveries, with people: a developer on a phone asks for what is missing, the designer does it with one key, and
// the next delivery settles it. A client looks, agrees and remarks. Nothing of it changes the design by itself.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { breaksNoRule, launch, patience, person } from './browser.mjs';
import { serve } from './server.mjs';

let server;
let browser;
let designer;
let developer;

const linkTo = async (label, role) => {
  await designer.goto(`${server.address}/projects/1/people`);
  const links = designer.getByRole('region', { name: 'Links' });
  await links.getByLabel('a link for').fill(label);
  await links.getByRole('combobox', { name: /^as/ }).selectOption(role);
  await links.getByRole('button', { name: 'Make the link' }).click();
  await designer.locator('.fresh-link').waitFor();
  return designer.inputValue('.fresh-link input');
};

const delivered = async number => {
  await designer.goto(`${server.address}/projects/1/deliveries`);
  await designer.waitForFunction(n => [...document.querySelectorAll('.build')].some(b => b.dataset.state === 'done' && b.querySelector('.build-number').textContent.trim() === `${n}`), number, { timeout: patience });
};

const pin = name => developer.locator('.pin-row', { has: developer.locator('.pin-name strong', { hasText: new RegExp(`^${name}$`) }) });
const opened = async name => {
  if (await pin(name).locator('.pin-head').getAttribute('aria-expanded') !== 'true') {
    await pin(name).locator('.pin-head').click();
  }
  await pin(name).locator('.pin-detail').waitFor();
  return pin(name);
};

before(async () => {
  [server, browser] = await Promise.all([serve({ deliveries: true, more: ['--People', 'true'] }), launch()]);
  designer = await (await person(browser)).newPage();
  await designer.goto(/http:\S+\/welcome#\S+/.exec(server.output())[0]);
  await designer.getByLabel('Your name').fill('Ines');
  await designer.getByLabel('Mail address that you sign in with').fill('ines@observatory.example');
  await designer.getByLabel(/^Password/).fill('under the dome at night');
  await designer.getByRole('button', { name: 'Create account' }).click();
  await designer.waitForURL(`${server.address}/`);
  await delivered(2);
});

after(async () => {
  await browser?.close();
  await server?.stop();
});

test('a developer on a phone opens a link, finds the bell, copies its line for Compose, and asks for the missing pressed state', async () => {
  developer = await (await person(browser, { viewport: { width: 390, height: 844 }, hasTouch: true, permissions: ['clipboard-read', 'clipboard-write'] })).newPage();
  await developer.goto(await linkTo('the app team', 'Developer'));
  await developer.waitForURL(/deliveries\/2\/plates\/1\/\d+/);
  await breaksNoRule(developer);
  await developer.setViewportSize({ width: 390, height: 844 });
  const bell = await opened('bell');
  await bell.getByRole('button', { name: 'Compose' }).tap();
  await bell.getByRole('button', { name: /^copy/ }).tap();
  await developer.getByText('Copied.').waitFor();
  assert.match(await developer.evaluate(() => navigator.clipboard.readText()), /painterResource\(R\.drawable\.bell\)/);
  await developer.getByLabel('you are').fill('Tom');
  await developer.getByLabel('you are').blur();
  const button = await opened('book-button');
  await button.getByLabel('What you ask for').selectOption('its pressed state is missing');
  await button.getByRole('button', { name: 'Ask', exact: true }).tap();
  await button.getByText('its pressed state is missing', { exact: false }).and(button.locator('li span')).first().waitFor();
  assert.match(await button.locator('.asked-list li').innerText(), /Tom \(the app team\), \d{4}-\d\d-\d\d: its pressed state is missing\s+waits/);
});

test('the designer sees it on the bench, does it with one key, and delivers; the developer sees what changed', async () => {
  await designer.goto(`${server.address}/projects/1/checks`);
  await designer.locator('li', { hasText: 'its pressed state is missing' }).getByRole('button', { name: 'ship book-button pressed' }).waitFor();
  await breaksNoRule(designer);
  await designer.goto(`${server.address}/projects/1/bench/1/1`);
  await designer.getByRole('row').nth(3).waitFor();
  await designer.keyboard.press('k');
  const asked = designer.getByRole('button', { name: 'Tom (the app team) asks at “book-button” on Tonight: its pressed state is missing.' });
  await asked.click();
  await designer.keyboard.press('Escape');
  const [fixed] = await Promise.all([designer.waitForResponse('**/api/projects/1/fix'), designer.keyboard.press('!')]);
  assert.equal(fixed.status(), 200);
  const before = await designer.evaluate(() => window.kalypto.get('/api/projects/1/checks'));
  assert.match(JSON.stringify(before), /The next delivery settles it/);
  await designer.evaluate(() => window.kalypto.post('/api/projects/1/builds?line=the pressed state', {}));
  await delivered(3);
  // A link to the newest delivery leads on to it, and to no other.
  await developer.reload();
  await developer.waitForURL(/deliveries\/3\/plates\/1\/\d+/);
  const button = await opened('book-button');
  await button.getByText('settled in delivery 3', { exact: false }).waitFor();
  assert.doesNotMatch(JSON.stringify(await designer.evaluate(() => window.kalypto.get('/api/projects/1/checks'))), /its pressed state is missing/);
});

test('a client agrees to a screen and remarks at a point; the answer reaches them, and no more than that is open to them', async () => {
  const client = await (await person(browser)).newPage();
  await client.goto(await linkTo('the director', 'Guest'));
  await client.waitForURL(/deliveries\/3\/device\/1\/\d+/);
  await client.getByRole('link', { name: 'Plates' }).click();
  await client.locator('.plate-pins.shown .pin').first().waitFor();
  assert.equal(await client.getByRole('link', { name: /Download/ }).count(), 0);
  // No link that is not open to them: neither to files nor to what changed.
  await client.locator('.pin-head').first().click();
  await client.locator('.pin-detail').waitFor();
  assert.equal(await client.locator('a[href*="/builds/"], .top a[href*="?with"]').count(), 0);
  const screen = client.getByRole('region', { name: 'The screen as a whole' });
  await screen.getByRole('button', { name: 'agreed' }).click();
  await screen.getByText('agreed by the director', { exact: false }).waitFor();
  await screen.getByRole('button', { name: 'at a point' }).click();
  const plate = await client.locator('svg.plate:visible').boundingBox();
  await client.mouse.click(plate.x + plate.width / 2, plate.y + plate.height / 3);
  await screen.getByLabel('A question or remark about the screen').fill('Is the moon always this large?');
  await screen.getByRole('button', { name: 'Ask', exact: true }).click();
  await screen.getByText('Is the moon always this large?', { exact: false }).waitFor();
  await client.locator('svg.plate:visible .plate-point').first().waitFor();
  await breaksNoRule(client);
  // Whoever only looks asks for nothing to be decided, whatever their browser sends.
  const design = new URL(client.url()).pathname.split('/').slice(-2);
  await client.evaluate(path => window.kalypto.post(path, { layer: 3, kind: 'Picture', words: 'make it red' }), `/api/projects/1/deliveries/3/plates/${design.join('/')}/asked`);
  await designer.goto(`${server.address}/projects/1/checks`);
  const found = designer.locator('li', { hasText: 'Is the moon always this large?' });
  await breaksNoRule(designer);
  assert.equal(await designer.locator('li', { hasText: 'make it red' }).getByRole('button', { name: /^ship/ }).count(), 0);
  await found.getByLabel('Answer').fill('Only at full moon.');
  await found.getByRole('button', { name: 'Answer' }).click();
  await designer.getByText('Answered', { exact: true }).waitFor();
  await client.reload();
  await screen.getByText('Ines answered: “Only at full moon.”', { exact: false }).waitFor();
  await screen.getByRole('button', { name: 'take it back' }).first().click();
  await client.waitForFunction(() => !document.querySelector('.screen-asked').textContent.includes('Is the moon always'));
});
