export { clubRule } from './clubRule';
export { shows } from './looks';
