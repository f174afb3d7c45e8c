/** By mouse, and by keys alone. */
import { byKeys, byMouse, lightsAndSounds } from './lights-and-sounds';
import { test } from './test';

test.describe('by mouse', () => lightsAndSounds(byMouse));
test.describe('by keys', () => lightsAndSounds(byKeys));
