/** Radians in one degree. @example 180 * RAD // 3.14159… */
export const RAD = Math.PI / 180;
