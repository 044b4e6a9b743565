// Accounts, who may do what in a project, and links.
import * as server from './server.js';

// What such pages share: they send something and say how it went.
const saying = {
  refusal: '',
  said: '',
  address: '',

  async send(url, body) {
    const answer = await server.post(url, body);
    this.refusal = answer.failed ? answer.message : '';
    this.said = '';
    this.address = (!answer.failed && answer.address) || '';
    return answer.failed ? null : answer;
  },
  async copy() {
    await navigator.clipboard.writeText(this.address);
    this.said = 'copied';
  },
};

export const account = () => ({
  ...saying,
  now: '',
  next: '',
  code: '',
  offer: null,
  codes: [],

  get factorPicture() { return this.offer?.picture ?? ''; },
  get factorKey() { return this.offer?.key ?? ''; },
  async beginFactor() {
    this.offer = await this.send('/api/account/second-factor/begun', {});
  },
  async turnOn() {
    this.codes = (await this.send('/api/account/second-factor', { code: this.code }))?.codes ?? [];
  },
  async turnOff() {
    if (await this.send('/api/account/second-factor/off', { password: this.now, code: this.code })) {
      location.reload();
    }
  },

  async rename() {
    if (await this.send('/api/account/name', { name: this.$refs.name.value })) {
      location.reload();
    }
  },
  async changePassword() {
    if (await this.send('/api/account/password', { now: this.now, next: this.next })) {
      this.now = this.next = '';
      this.said = 'Password changed. All other browsers have to sign in again.';
    }
  },
  async end(event) {
    if (await this.send(`/api/account/sessions/${event.currentTarget.dataset.session}/ended`)) {
      location.reload();
    }
  },
  async endOthers() {
    if (await this.send('/api/account/sessions/others/ended')) {
      location.reload();
    }
  },
});

export const people = () => ({
  ...saying,
  email: '',
  isKeeper: false,

  idOf(event) { return event.currentTarget.closest('[data-person]').dataset.person; },
  async invite() {
    if (await this.send('/api/people/invited', { email: this.email, isKeeper: this.isKeeper })) {
      this.email = '';
    }
  },
  resetPassword(event) {
    return this.send(`/api/people/${this.idOf(event)}/password`);
  },
  async shut(event) {
    if (await this.send(`/api/people/${this.idOf(event)}/shut`, { value: event.currentTarget.dataset.value === 'true' })) {
      location.reload();
    }
  },
});

export const team = () => ({
  ...saying,
  model: server.read('team'),
  email: '',
  role: 'Developer',
  link: { label: '', role: 'Developer', delivery: '', days: '30', password: '' },
  addressSays: '',

  url(end) { return `/api/projects/${this.$root.dataset.project}/team/${end}`; },
  async change(end, body) {
    const answer = await this.send(this.url(end), body);
    if (answer) {
      this.model = answer.team ?? answer;
    } else {
      // What a control shows that was refused goes back to what holds.
      this.model = { ...this.model, people: this.model.people.map(p => ({ ...p })) };
    }
    return answer;
  },
  async invite() {
    const { email } = this;
    const answer = await this.change('invitations', { email, role: this.role });
    if (answer) {
      this.addressSays = `Send this address to ${email}. It works once; whoever has no account yet also needs the code from the invitation mail:`;
      this.email = '';
    }
  },
  uninvite(invitation) { return this.change(`invitations/${invitation.id}/removed`); },
  say(person, role) { return this.change(`people/${person.id}`, { role }); },
  requireFactor(value) { return this.change('second-factor', { value }); },
  async makeLink() {
    const { label, role, delivery, days, password } = this.link;
    if (await this.change('links', { label, role, delivery: delivery === '' ? null : Number(delivery), days: days === '' ? null : Number(days), password })) {
      this.addressSays = 'This is the link. It is shown only now; of its secret nothing but a hash is kept:';
      this.link = { ...this.link, label: '', password: '' };
    }
  },
  revoke(link) { return this.change(`links/${link.id}/revoked`); },
});
