// A server for a team: the first account, invitations, roles, links and their end, as people meet them. Nothing that lets
// anybody in stands in what the server says of itself.
import assert from 'node:assert/strict';
import { createHmac } from 'node:crypto';
import { after, before, test } from 'node:test';
import { breaksNoRule, launch, person } from './browser.mjs';
import { serve } from './server.mjs';

const password = 'under the dome at night';
let server;
let browser;
let owner;
let project;
const secrets = [];

const secretOf = address => {
  secrets.push(address.split('#')[1]);
  return address;
};

const newcomer = async options => (await person(browser, { permissions: ['clipboard-read', 'clipboard-write'], ...options })).newPage();

const answer = async (page, path) => (await page.request.get(`${server.address}${path}`, { maxRedirects: 0, headers: { 'Sec-Fetch-Dest': 'document' } })).status();

// What was just made, as the page shows it.
const freshLink = async page => {
  await page.locator('.fresh-link').waitFor();
  return secretOf(await page.inputValue('.fresh-link input'));
};

// A form that sends, and what it leads to.
const makeAccount = async (page, address, name, code) => {
  await page.goto(address);
  await page.getByLabel('Your name').fill(name);
  const email = page.getByLabel('Mail address that you sign in with');
  if (!await email.inputValue()) {
    await email.fill(`${name.toLowerCase()}@observatory.example`);
  }
  if (code) {
    await page.getByLabel('Code from the invitation mail').fill(code);
  }
  await page.getByLabel(/^Password/).fill(password);
  await page.getByRole('button', { name: 'Create account' }).click();
  await page.waitForURL(url => !url.pathname.startsWith('/welcome'));
};

const signIn = async (page, email, word, to, code) => {
  await page.goto(`${server.address}/sign-in?to=${encodeURIComponent(to)}`);
  await page.getByLabel('address').fill(email);
  await page.getByLabel('password').fill(word);
  await page.getByRole('button', { name: 'Sign in' }).click();
  if (code) {
    // The keyboard is led to the field as soon as it is shown.
    await page.waitForFunction(() => document.activeElement?.autocomplete === 'one-time-code');
    await page.keyboard.type(code);
    await page.getByRole('button', { name: 'Sign in' }).click();
  }
  await page.waitForURL(`${server.address}${to}`);
};

// A code of an authenticator by time (RFC 6238).
const totp = key => {
  const bits = [...key.replaceAll(' ', '')].map(c => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(c).toString(2).padStart(5, '0')).join('');
  const bytes = Buffer.from(bits.match(/.{8}/g).map(b => Number.parseInt(b, 2)));
  const step = Buffer.alloc(8);
  step.writeBigInt64BE(BigInt(Math.floor(Date.now() / 30000)));
  const hash = createHmac('sha1', bytes).update(step).digest();
  return String((hash.readUInt32BE(hash[19] & 15) & 0x7fffffff) % 1000000).padStart(6, '0');
};

before(async () => {
  [server, browser] = await Promise.all([serve({ more: ['--People', 'true'] }), launch()]);
});

after(async () => {
  await browser?.close();
  await server?.stop();
});

test('the first account is made by whoever sees the console, once, and owns what nobody owned', async () => {
  const page = owner = await newcomer();
  await page.goto(`${server.address}/projects/1/pack`);
  assert.equal(new URL(page.url()).pathname, '/sign-in');
  await breaksNoRule(page);
  const first = secretOf(/http:\S+\/welcome#\S+/.exec(server.output())[0]);
  await makeAccount(page, first, 'Ines');
  await page.getByRole('link', { name: 'Larkrise Observatory' }).first().waitFor();
  project = 1;
  const late = await newcomer();
  await late.goto(first);
  await late.getByRole('alert').filter({ hasText: 'taken already' }).waitFor();
  assert.equal(late.url(), `${server.address}/welcome`, 'the secret stays in no address');
});

test('who is invited does what their role says, and is let in and out by the owner', async () => {
  await owner.goto(`${server.address}/projects/${project}/people`);
  await owner.getByLabel('invite').fill('tom@studio.example');
  await owner.getByRole('button', { name: 'Invite', exact: true }).click();
  const address = await freshLink(owner);
  await breaksNoRule(owner);
  await owner.goto(`${server.address}/mail`);
  const mail = await owner.locator('.mail').first().innerText();
  assert.ok(mail.includes(address), 'what would be sent has the address in it');
  const tom = await newcomer();
  // Whoever was handed the address, but not the mail, gets nowhere with it.
  await tom.goto(address);
  await tom.locator('input[type=email][readonly]').waitFor();
  await tom.getByLabel('Your name').fill('Mallory');
  await tom.getByLabel('Code from the invitation mail').fill('0000 0000');
  await tom.getByLabel(/^Password/).fill(password);
  await tom.getByRole('button', { name: 'Create account' }).click();
  await tom.getByRole('alert').filter({ hasText: 'not the code' }).waitFor();
  await makeAccount(tom, address, 'Tom', /\d{4} \d{4}/.exec(mail)[0]);
  await tom.getByText('Nothing was delivered yet').waitFor();
  assert.deepEqual(await Promise.all([`/projects/${project}/pack`, `/projects/${project}/deliveries`, '/people'].map(path => answer(tom, path))), [403, 200, 404]);
  await tom.goto(`${server.address}/projects/${project}/pack`);
  await tom.getByRole('heading', { name: 'This is not open to you' }).waitFor();
  await owner.goto(`${server.address}/projects/${project}/people`);
  await Promise.all([owner.waitForResponse('**/team/people/*'), owner.getByLabel('What Tom may do').selectOption('Designer')]);
  // Rights that changed end all sessions of whoever they are of.
  assert.equal(await answer(tom, `/projects/${project}/pack`), 302);
  await signIn(tom, 'tom@studio.example', password, `/projects/${project}/people`);
  assert.equal(await answer(tom, `/projects/${project}/pack`), 200);
  assert.equal(await tom.getByRole('button', { name: 'Invite', exact: true }).count(), 0);
  await owner.getByRole('button', { name: 'Remove', exact: true }).click();
  await owner.getByText('tom@', { exact: false }).waitFor({ state: 'hidden' });
  await signIn(tom, 'tom@studio.example', password, '/');
  assert.equal(await answer(tom, `/projects/${project}`), 404);
  const history = await owner.evaluate(path => window.kalypto.get(path), `/api/projects/${project}/history`);
  assert.deepEqual(history.slice(0, 4).map(step => [step.who, step.label, step.isLasting]), [
    ['Ines', 'Take Tom out of the project', true], ['Ines', 'Make Tom designer', true],
    ['Tom', 'Tom took the invitation of Ines, as developer', true], ['Ines', 'Invite tom@studio.example as developer', true]]);
});

test('a link with a password lets in by it alone, on a phone, until it is revoked', async () => {
  await owner.goto(`${server.address}/projects/${project}/people`);
  const links = owner.getByRole('region', { name: 'Links' });
  await links.getByLabel('a link for').fill('the app team');
  await links.getByLabel('password').fill('red giant star');
  await links.getByRole('button', { name: 'Make the link' }).click();
  const address = await freshLink(owner);
  const visitor = await newcomer({ viewport: { width: 390, height: 844 } });
  await visitor.goto(address);
  await visitor.getByLabel('password of the link').fill('white dwarf');
  await visitor.getByRole('button', { name: 'Open it' }).click();
  await visitor.getByRole('alert').filter({ hasText: 'not the password' }).waitFor();
  await visitor.getByLabel('password of the link').fill('red giant star');
  await visitor.getByRole('button', { name: 'Open it' }).click();
  await visitor.waitForURL(`**/projects/${project}/handover`);
  await visitor.locator('.me').getByText('the app team').waitFor();
  assert.deepEqual(await Promise.all([`/projects/${project}/deliveries`, `/projects/${project}/pack`, '/', `/projects/${project}/people`].map(path => answer(visitor, path))), [200, 404, 302, 404]);
  await owner.reload();
  await links.getByText('last used').waitFor();
  await links.getByRole('button', { name: 'Revoke' }).click();
  await links.getByText('revoked').waitFor();
  assert.equal(await answer(visitor, `/projects/${project}/deliveries`), 302);
  await visitor.goto(address);
  await visitor.getByRole('alert').filter({ hasText: 'leads nowhere' }).waitFor();
});

test('sessions are ended from another browser, a password is set anew, and an account is shut', async () => {
  const second = await newcomer();
  await signIn(second, 'ines@observatory.example', password, '/account');
  await breaksNoRule(second);
  await second.getByRole('button', { name: 'Sign out there' }).click();
  await second.waitForFunction(() => document.querySelectorAll('[data-session]').length === 0);
  assert.equal(await answer(owner, '/account'), 302, 'the other browser is out at once');
  owner = second;
  // All others at once.
  const third = await newcomer();
  await signIn(third, 'ines@observatory.example', password, '/account');
  await owner.goto(`${server.address}/account`);
  await owner.getByRole('button', { name: 'Sign out everywhere else' }).click();
  await owner.waitForFunction(() => document.querySelectorAll('[data-session]').length === 0);
  assert.deepEqual([await answer(third, '/account'), await answer(owner, '/account')], [302, 200]);
  await owner.goto(`${server.address}/people`);
  await breaksNoRule(owner);
  const tom = owner.locator('[data-person]').filter({ hasText: 'Tom' });
  await tom.getByRole('button', { name: 'Address for a new password' }).click();
  const address = await freshLink(owner);
  const page = await newcomer();
  await page.goto(address);
  await page.getByLabel(/^Password/).fill(`${password} again`);
  await page.getByRole('button', { name: 'Set password' }).click();
  await page.waitForURL(`${server.address}/`);
  await tom.getByRole('button', { name: 'Shut the account' }).click();
  await tom.getByRole('button', { name: 'Open it again' }).waitFor();
  assert.equal(await answer(page, '/account'), 302);
  await owner.goto(`${server.address}/`);
  await owner.getByRole('button', { name: 'sign out' }).click();
  await owner.waitForURL('**/sign-in');
  assert.equal(await answer(owner, '/account'), 302);
});

test('a second factor is set up, asked for, and demanded by a project; the log tells all of it', async () => {
  await signIn(owner, 'ines@observatory.example', password, '/account');
  await owner.getByRole('button', { name: 'Set up' }).click();
  await owner.locator('.factor-code').waitFor();
  await breaksNoRule(owner);
  const key = await owner.locator('p.mono').filter({ hasText: /^[A-Z2-7 ]{20,}$/ }).innerText();
  secrets.push(key);
  await owner.getByLabel('Code that the app shows now').fill(totp(key));
  await owner.getByRole('button', { name: 'Turn on' }).click();
  await owner.locator('.factor-codes li').first().waitFor();
  const codes = await owner.locator('.factor-codes li').allInnerTexts();
  assert.equal(codes.length, 10);
  await owner.goto(`${server.address}/projects/${project}/people`);
  await Promise.all([owner.waitForResponse('**/team/second-factor'), owner.getByLabel('Require a second factor').check()]);
  const other = await newcomer();
  await signIn(other, 'ines@observatory.example', password, `/projects/${project}/log`, codes[0]);
  await other.getByRole('cell', { name: 'Changed the rules of a project' }).waitFor();
  await breaksNoRule(other);
  await other.goto(`${server.address}/log`);
  await other.getByLabel('Event').selectOption('SignedIn');
  await other.getByRole('button', { name: 'Filter' }).click();
  await other.getByRole('cell', { name: 'tom@studio.example' }).first().waitFor();
  assert.equal(await other.getByRole('cell', { name: 'Turned on the second factor' }).count(), 0);
});

test('nothing that lets anybody in stands in what the server says of itself', () => {
  const [first, ...others] = secrets;
  assert.equal(server.output().split(first).length, 2, 'the first link stands on the console, once');
  assert.equal(others.length, 4);
  [password, 'red giant star', ...others].forEach(secret => assert.ok(!server.output().includes(secret)));
});

