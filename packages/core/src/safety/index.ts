export * from './ageDistance';
export * from './breathGate';
export * from './caution';
export * from './waterTime';
export * from './waterRules';
