export { POST } from '../../commands/+server';
