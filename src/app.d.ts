import type { Person } from '$lib/server/people';

declare global {
	namespace App {
		interface Locals {
			person: Person | null;
		}
	}
}

export {};
