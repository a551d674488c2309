export { clubRule, rulesOf } from './clubRule';
export { shows } from './looks';
export { swimmerName } from './service';
