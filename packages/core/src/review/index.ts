export * from './catalogue';
export * from './chooseFocus';
export * from './evidence';
export * from './inferCauses';
export * from './types';
export * from './relook';
