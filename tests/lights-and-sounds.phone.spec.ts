/** By touch, on a phone. */
import { byTouch, lightsAndSounds } from './lights-and-sounds';

lightsAndSounds(byTouch);
