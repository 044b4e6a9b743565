// A server for a team: the first account, invitations, roles, links and their end, as people meet them. Nothing that lets
// anybody in stands in what the server says of itself.
import assert from 'node:assert/strict';
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
const makeAccount = async (page, address, name) => {
  await page.goto(address);
  await page.getByLabel('what the others call you').fill(name);
  const email = page.getByLabel('address that you sign in with');
  if (!await email.inputValue()) {
    await email.fill(`${name.toLowerCase()}@observatory.example`);
  }
  await page.getByLabel(/^password/).fill(password);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await page.waitForURL(url => !url.pathname.startsWith('/welcome'));
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
  assert.ok((await owner.locator('.mail').first().innerText()).includes(address), 'what would be sent has the address in it');
  const tom = await newcomer();
  await makeAccount(tom, address, 'Tom');
  await tom.getByText('Nothing was delivered yet').waitFor();
  assert.deepEqual(await Promise.all([`/projects/${project}/pack`, `/projects/${project}/deliveries`, '/people'].map(path => answer(tom, path))), [403, 200, 404]);
  await tom.goto(`${server.address}/projects/${project}/pack`);
  await tom.getByRole('heading', { name: 'This is not open to you' }).waitFor();
  await owner.goto(`${server.address}/projects/${project}/people`);
  await Promise.all([owner.waitForResponse('**/team/people/*'), owner.getByLabel('What Tom may do').selectOption('Designer')]);
  assert.equal(await answer(tom, `/projects/${project}/pack`), 200);
  await tom.goto(`${server.address}/projects/${project}/people`);
  assert.equal(await tom.getByRole('button', { name: 'Invite', exact: true }).count(), 0);
  await owner.getByRole('button', { name: 'take out' }).click();
  await owner.getByText('tom@', { exact: false }).waitFor({ state: 'hidden' });
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
  await links.getByLabel('password').fill('red giant');
  await links.getByRole('button', { name: 'Make the link' }).click();
  const address = await freshLink(owner);
  const visitor = await newcomer({ viewport: { width: 390, height: 844 } });
  await visitor.goto(address);
  await visitor.getByLabel('password of the link').fill('white dwarf');
  await visitor.getByRole('button', { name: 'Open it' }).click();
  await visitor.getByRole('alert').filter({ hasText: 'not the password' }).waitFor();
  await visitor.getByLabel('password of the link').fill('red giant');
  await visitor.getByRole('button', { name: 'Open it' }).click();
  await visitor.waitForURL(`**/projects/${project}/handover`);
  await visitor.locator('.me').getByText('the app team').waitFor();
  assert.deepEqual(await Promise.all([`/projects/${project}/deliveries`, `/projects/${project}/pack`, '/', `/projects/${project}/people`].map(path => answer(visitor, path))), [200, 403, 302, 403]);
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
  await second.goto(`${server.address}/sign-in?to=/account`);
  await second.getByLabel('address').fill('ines@observatory.example');
  await second.getByLabel('password').fill(password);
  await second.getByRole('button', { name: 'Sign in' }).click();
  await second.waitForURL(`${server.address}/account`);
  await breaksNoRule(second);
  await second.getByRole('button', { name: 'End it' }).click();
  await second.waitForFunction(() => document.querySelectorAll('[data-session]').length === 0);
  assert.equal(await answer(owner, '/account'), 302, 'the other browser is out at once');
  owner = second;
  await owner.goto(`${server.address}/people`);
  await breaksNoRule(owner);
  const tom = owner.locator('[data-person]').filter({ hasText: 'Tom' });
  await tom.getByRole('button', { name: 'Address for a new password' }).click();
  const address = await freshLink(owner);
  const page = await newcomer();
  await page.goto(address);
  await page.getByLabel(/^password/).fill(`${password} again`);
  await page.getByRole('button', { name: 'Set it' }).click();
  await page.waitForURL(`${server.address}/`);
  await tom.getByRole('button', { name: 'Shut the account' }).click();
  await tom.getByRole('button', { name: 'Open it again' }).waitFor();
  assert.equal(await answer(page, '/account'), 302);
  await owner.goto(`${server.address}/`);
  await owner.getByRole('button', { name: 'sign out' }).click();
  await owner.waitForURL('**/sign-in');
  assert.equal(await answer(owner, '/account'), 302);
});

test('nothing that lets anybody in stands in what the server says of itself', () => {
  const [first, ...others] = secrets;
  assert.equal(server.output().split(first).length, 2, 'the first link stands on the console, once');
  assert.equal(others.length, 3);
  [password, 'red giant', ...others].forEach(secret => assert.ok(!server.output().includes(secret)));
});

