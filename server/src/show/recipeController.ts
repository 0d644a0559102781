import { Body, Controller, HttpCode, Post } from '@nestjs/common'
import { ApiTags } from '@nestjs/swagger'
import { RecipeFile, TakeRecipe } from './recipeDto.ts'
import { RecipeService } from './recipeService.ts'

/** Recipes others handed on. */
@ApiTags('show')
@Controller('recipes')
export class RecipeController {
  constructor(private readonly recipes: RecipeService) {}

  /** What of a recipe is here, what stands in for the rest, and what it costs. Writes nothing. */
  @Post('look')
  @HttpCode(200)
  look(@Body() recipe: RecipeFile) {
    return this.recipes.look(recipe)
  }

  /** Take a recipe in as a roster. */
  @Post()
  take(@Body() { recipe, name }: TakeRecipe) {
    return this.recipes.take(recipe, name)
  }
}
