export { clubRule, rulesOf } from './clubRule';
export { shows } from './looks';
