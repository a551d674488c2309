// Charts leave timers running, and no test may wait for real time.
jest.mock('react-native-gifted-charts', () => ({ LineChart: () => null }));
