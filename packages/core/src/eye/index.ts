export * from './eyeTraining';
