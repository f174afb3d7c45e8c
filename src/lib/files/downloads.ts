/** Documents, texts and pictures saved to files on the device. */
import { writeDocument } from '$core/document';

/** Offers a document as a file, named after it. */
export const downloadDocument = (document: { readonly name: string; readonly format: string }) =>
	downloadText(document.name, document.format.split('/')[1]!, writeDocument(document));

/** Offers a text as a file, whatever it holds. @param kind such as plan */
export const downloadText = (title: string, kind: string, text: string): void =>
	download(title, `${kind}.json`, new Blob([text], { type: 'application/json' }));

/** Offers what is in it as a file. @param ending of its name */
export function download(title: string, ending: string, content: Blob): void {
	const name = title.replace(/[^\p{L}\p{N} ,'-]/gu, '').trim() || ending;
	const url = URL.createObjectURL(content);
	Object.assign(document.createElement('a'), { href: url, download: `${name}.${ending}` }).click();
	URL.revokeObjectURL(url);
}
