import { engines } from './lend';

Object.assign(Math, engines);
