// Coming in: by an account, an invitation or a link. Secrets stand behind # in the address, where no server sees them.
import * as server from './server.js';

// The secret of the address, which is taken out of it: it stays in no history and on no screen.
const secretOf = () => {
  const secret = decodeURIComponent(location.hash.slice(1));
  history.replaceState(null, '', location.pathname);
  return secret;
};

export const signIn = () => ({
  email: '',
  password: '',
  refusal: '',
  isBusy: false,

  async send() {
    this.isBusy = true;
    const answer = await server.post('/api/coming/sign-in', { email: this.email, password: this.password });
    this.isBusy = false;
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      location.href = this.$root.dataset.to;
    }
  },
});

export const welcome = () => ({
  secret: '',
  invitation: null,
  name: '',
  email: '',
  password: '',
  refusal: '',
  isBusy: false,

  async init() {
    this.secret = secretOf();
    const answer = await server.post('/api/coming/invitation', { secret: this.secret });
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      this.invitation = answer;
      this.email = answer.email;
    }
  },
  get isReset() { return this.invitation?.kind === 'Password'; },
  get isNew() { return !!this.invitation && !this.isReset && !this.invitation.signedIn; },
  get needsPassword() { return this.isNew || this.isReset; },
  get heading() {
    const { invitation } = this;
    return !invitation ? 'An invitation' : this.isReset ? 'A new password' : invitation.project ? `To ${invitation.project}` : 'Welcome to Kalypto';
  },
  get about() {
    const { invitation } = this;
    if (!invitation) {
      return this.refusal ? '' : 'It is looked up …';
    }
    if (this.isReset) {
      return `For the account of ${invitation.email}. All browsers that are signed in with it have to sign in again.`;
    }
    if (invitation.kind === 'Keeper' && !invitation.madeBy) {
      return 'This makes the first account. It looks after the server: it invites others, and owns the projects that nobody owns yet.';
    }
    const as = invitation.project ? ` to work in ${invitation.project} as ${invitation.role}` : '';
    return `${invitation.madeBy || 'Somebody'} invites you${as}.${invitation.signedIn ? ` You are signed in as ${invitation.signedIn}.` : ''}`;
  },
  get doText() { return this.isReset ? 'Set it' : this.isNew ? 'Make the account' : 'Take the invitation'; },
  async send() {
    this.isBusy = true;
    const { secret, name, email, password } = this;
    const answer = await server.post('/api/coming/invitation/taken', { secret, name, email, password });
    this.isBusy = false;
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      location.href = answer.href;
    }
  },
});

export const openLink = () => ({
  secret: '',
  password: '',
  needsPassword: false,
  refusal: '',
  isBusy: false,

  init() {
    this.secret = secretOf();
    this.open();
  },
  get about() { return this.needsPassword ? 'It asks for a password, which whoever sent it knows.' : this.refusal ? '' : 'It is opened …'; },
  async open() {
    this.isBusy = true;
    const answer = await server.post('/api/coming/link', { secret: this.secret, password: this.password });
    this.isBusy = false;
    if (answer.failed) {
      this.refusal = answer.message;
    } else if (answer.needsPassword) {
      this.needsPassword = true;
      this.refusal = answer.says;
    } else {
      location.replace(answer.href);
    }
  },
});
