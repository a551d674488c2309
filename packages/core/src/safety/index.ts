export * from './breathGate';
export * from './caution';
