import type { Save } from './protocol';

/** What has something left to send, or may get it. */
interface Living {
	/** Another one takes over. @returns what it had not sent */
	retire(): Save | null;
	/** @returns whether all of it is on the server or on the device */
	keepAtOnce(): boolean;
}

/** Savers of this page, by their document. */
export const living = new Map<string, Living>();

/** Before this page goes, all is kept on the device; where that fails, the person is asked. */
export function guardLeaving(): () => void {
	const keepAll = () => [...living.values()].map((saver) => saver.keepAtOnce()).every(Boolean);
	const ask = (event: BeforeUnloadEvent) => {
		if (!keepAll()) event.preventDefault();
	};
	const hide = () => void (document.visibilityState === 'hidden' && keepAll());
	addEventListener('beforeunload', ask);
	addEventListener('pagehide', keepAll);
	document.addEventListener('visibilitychange', hide);
	return () => {
		removeEventListener('beforeunload', ask);
		removeEventListener('pagehide', keepAll);
		document.removeEventListener('visibilitychange', hide);
	};
}
