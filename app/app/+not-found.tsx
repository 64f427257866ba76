export { NotFound as default } from '../features/shell/NotFound';
