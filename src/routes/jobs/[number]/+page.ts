import { unpacked } from '$lib/packed';

export const load = ({ data }) => ({ ...unpacked(data.view), bench: data.bench });
