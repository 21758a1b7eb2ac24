// npm start: the app on the shop's own data.
import { build, installPackages, serve } from './prepare.mjs';

installPackages();
build();
serve();
