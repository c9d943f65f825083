// `npm run build`: the server and the web application, where their sources have changed.
import { build, installDependencies } from './prepare.mjs';

installDependencies();
build();
