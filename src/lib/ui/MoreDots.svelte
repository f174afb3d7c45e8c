<!--
@component Three dots one over the other, as Lucide has them, in one line of markup: each tag of a trail
has them, and the component of the icon takes as long to make as half of the tag.
-->
<svg
	width="18"
	height="18"
	viewBox="0 0 24 24"
	fill="none"
	stroke="currentColor"
	stroke-width="4"
	stroke-linecap="round"
	aria-hidden="true"><path d="M12 5h.01M12 12h.01M12 19h.01" /></svg
>
