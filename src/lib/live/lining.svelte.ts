/** Lining a robot up: where its front points, as a hand on the floor, a stick or a number says. */
import type { Greeting } from '$core/link/frames';
import { bearingTo, type Point } from '$core/course/measure';

export class Lining {
	/** The one that is being lined up. */
	robot = $state.raw<Greeting | null>(null);
	/** Degrees: which way it went, as somebody says. */
	went = $state(0);

	/** @param bearing that of its start mark: one whose front is seen begins as it should stand */
	begin(robot: Greeting, bearing: number): void {
		this.setFront(bearing);
		this.robot = robot;
	}

	end(): void {
		this.robot = null;
	}

	/** Its front is said to point there. @param bearing degrees; anything else says nothing */
	setFront(bearing: number): void {
		if (Number.isFinite(bearing)) this.went = ((Math.round(bearing) % 360) + 360) % 360;
	}

	turnFront(degrees: number): void {
		this.setFront(this.went + degrees);
	}

	/** @param from where it stands @param to a place that its front points to, or that it went towards */
	point(from: Point, to: Point): void {
		this.setFront(bearingTo(from, to));
	}
}
