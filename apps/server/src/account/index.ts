export { oneByOne } from './oneByOne';
export { hashPassword, refuseWeak } from './password';
export { signInAs } from './signingIn';
export { countWrong } from './tries';
