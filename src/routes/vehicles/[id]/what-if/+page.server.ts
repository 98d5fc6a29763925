export { load } from '../sheet/+page.server';
