/** Own pictures and those of the class, as the server has them. */
import type { PictureDocument } from '$core/pictures/picture-document';
import type { ShelvedPicture } from '$core/pictures/shelved';
import { t } from '$lib/i18n';
import { Refused, request } from '$lib/saving/send';

const path = '/api/pictures';

export class PictureShelf {
	/** The newest first; null until they have come. */
	pictures = $state.raw<readonly ShelvedPicture[] | null>(null);
	/** What could not be done. */
	news = $state('');

	private async ask(method: string, query = '', picture?: PictureDocument): Promise<boolean> {
		try {
			this.pictures = (await request(method, path + query, picture)) as readonly ShelvedPicture[];
			this.news = '';
			return true;
		} catch (thrown) {
			const isRefused = thrown instanceof Refused;
			this.news = isRefused ? thrown.message : t('loom.shelf.away');
			return false;
		}
	}

	async open(): Promise<void> {
		await this.ask('GET');
	}

	/** @returns whether it is there now */
	keep(picture: PictureDocument): Promise<boolean> {
		return this.ask('PUT', '', picture);
	}

	async takeAway(id: string): Promise<void> {
		await this.ask('DELETE', `?id=${id}`);
	}
}
