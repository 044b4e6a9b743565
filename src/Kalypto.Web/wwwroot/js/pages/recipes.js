import { start } from '../start.js';
import { recipes } from '../recipes/recipes.js';
import { recipeControls } from '../recipes/controls.js';

start({ recipes, recipeControls });
