import { buildWhereNeeded, installPackages, requireNode, serve } from './lib.mjs';

requireNode();
installPackages();
buildWhereNeeded();
serve();
