import { drawerReach, packChoices } from '@elder-cog/derive';
import { expose } from 'comlink';

const api = { packChoices, drawerReach };
export type PacksWorker = typeof api;
expose(api);
