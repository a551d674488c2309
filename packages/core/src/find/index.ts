export * from './shapes';
export { findStrokes } from './findStrokes';
export { simulatedClip, type Filmed, type SimulatedClip, type TrueEntry } from './simulatedClip';
