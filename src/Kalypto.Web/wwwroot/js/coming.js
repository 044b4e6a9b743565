// Coming in: by an account, an invitation or a link. Secrets stand behind # in the address, where no server sees them.
import { focusShown } from './focus.js';
import * as server from './server.js';

// Where the secret of an invitation waits while somebody signs in, in this window alone.
const kept = 'kalypto-invitation';

// The secret of the address, which is taken out of it: it stays in no history and on no screen.
const secretOf = () => {
  const secret = decodeURIComponent(location.hash.slice(1));
  history.replaceState(null, '', location.pathname);
  return secret;
};

export const signIn = () => ({
  email: '',
  password: '',
  code: '',
  needsCode: false,
  refusal: '',
  isBusy: false,

  async send() {
    this.isBusy = true;
    const answer = await server.post('/api/coming/sign-in', { email: this.email, password: this.password, code: this.code });
    this.isBusy = false;
    if (answer.failed) {
      this.refusal = answer.message;
    } else if (answer.needsCode) {
      this.needsCode = true;
      this.refusal = '';
      focusShown(this, () => this.$refs.code);
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
  code: '',
  refusal: '',
  isBusy: false,

  async init() {
    // Whoever signed in first comes back without the secret in the address.
    this.secret = secretOf() || sessionStorage.getItem(kept) || '';
    sessionStorage.removeItem(kept);
    const answer = await server.post('/api/coming/invitation', { secret: this.secret });
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      this.invitation = answer;
      this.email = answer.email;
    }
  },
  get isReset() { return this.invitation?.kind === 'Password'; },
  get isNew() { return !!this.invitation && !this.isReset && !this.invitation.hasAccount; },
  get isBound() { return !!this.invitation?.email; },
  // It belongs to its address: an account of that address accepts it, and no other.
  get canTake() { return !this.invitation?.hasAccount || this.invitation.isSignedIn; },
  get needsPassword() { return this.isNew || this.isReset; },
  get heading() {
    const { invitation } = this;
    return !invitation ? 'An invitation' : this.isReset ? 'A new password' : invitation.project ? `Invitation to ${invitation.project}` : 'Welcome to Kalypto';
  },
  get about() {
    const { invitation } = this;
    if (!invitation) {
      return this.refusal ? '' : 'Looking it up …';
    }
    if (this.isReset) {
      return `For the account of ${invitation.email}. All browsers that are signed in with it have to sign in again.`;
    }
    if (invitation.kind === 'Keeper' && !invitation.madeBy) {
      return 'This makes the first account. It looks after the server: it invites others, and owns the projects that nobody owns yet.';
    }
    const as = invitation.project ? ` to work in ${invitation.project} as ${invitation.role}` : '';
    const accept = !invitation.hasAccount ? '' : invitation.isSignedIn ? ` You are signed in as ${invitation.email}.` : ` The invitation is for ${invitation.email}: sign in with that account to accept it.`;
    return `${invitation.madeBy || 'Somebody'} invites you${as}.${accept}`;
  },
  goToSignIn() {
    sessionStorage.setItem(kept, this.secret);
  },
  get doText() { return this.isReset ? 'Set password' : this.isNew ? 'Create account' : 'Accept invitation'; },
  async send() {
    this.isBusy = true;
    const { secret, name, email, password, code } = this;
    const answer = await server.post('/api/coming/invitation/taken', { secret, name, email, password, code });
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
