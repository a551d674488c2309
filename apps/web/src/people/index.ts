export { useInviteMutation } from './api';
