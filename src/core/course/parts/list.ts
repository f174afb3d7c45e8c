/** Every kind of part, from the bottom up, as they are drawn. */
import { crates } from './crates';
import { finish } from './finish';
import { gates } from './gates';
import { lampPosts } from './lamp-posts';
import { pads } from './pads';
import { patchesPart } from './patches';
import { rails } from './rails';
import { starts } from './starts';
import { surfacesPart } from './surfaces';
import { table } from './table-edge';
import { tapes } from './tapes';
import { walls } from './walls';

export const partKinds = {
	surfaces: surfacesPart,
	patches: patchesPart,
	tapes,
	rails,
	pads,
	finish,
	lampPosts,
	gates,
	walls,
	crates,
	starts,
	table
};
