export const say = {
  tooManyTries: 'Too many tries. Wait a minute, then sign in again.',
  serverCouldNot: 'The server could not sign you in. Try again in a moment.',
  namePasswordDo: 'Wrong user name or password. Check both and try again.',
  serverCannotReached: 'The server cannot be reached. Check the network, then try again.',
  userNameE: 'User name or e-mail',
  password: 'Password',
  signing: 'Signing in …',
  sign: 'Sign in',
  medida: 'Medida',
  overhaulInspectionFrom: 'Overhaul inspection, from the first reading to the signed report.',
  noAccountWhoever: 'No account? Your administrator makes one for you.',
} as const
