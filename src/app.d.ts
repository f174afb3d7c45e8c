import type { Person } from '$lib/saving/answers';

declare global {
	namespace App {
		interface Locals {
			person: Person | null;
		}
	}
}

export {};
