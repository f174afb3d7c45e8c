/** What is said to the person: news for a screen reader, refusals, and where to look now. */
export class Voice {
	/** The latest news, with a count so that the same words are said again. */
	announcement = $state({ text: '', count: 0 });
	/** What is shown over the desk until it is read: mostly why the last thing was not done. */
	notice = $state('');
	/** The step to hold in view and under the keyboard. */
	focus = $state<{ key: string; count: number } | null>(null);

	announce(text: string): void {
		this.announcement = { text, count: this.announcement.count + 1 };
	}

	/** Says why something was not done. */
	refuse(reason: string): void {
		this.announce(reason);
		this.notice = reason;
	}

	focusOn(key: string): void {
		this.focus = { key, count: (this.focus?.count ?? 0) + 1 };
	}
}
