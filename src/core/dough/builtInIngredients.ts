/**
 * The ingredients every kitchen begins with: generic, no brands, every value can be changed. Water of milk, egg, butter, honey and yoghurt as in
 * docs/model.md; densities are ranges, since a cup holds what one puts into it (spooned flour .50–.55, scooped up to .65 g/ml). Source: craft knowledge and
 * household tables; a weighing beats them all.
 */
import type { FlourKind } from '../ferment/flours'
import { type Composition, FLOUR, levainOf, SALT, WATER } from './composition'
import type { Allergen, Ingredient, IngredientKind } from './ingredient'

type Range = readonly [least: number, most: number]
interface More {
  readonly allergens?: readonly Allergen[]
  readonly density?: Range
  readonly pieceGrams?: Range
  readonly fine?: boolean
  readonly alsoCalled?: readonly string[]
  readonly sugar?: number
  readonly fat?: number
}

const holds = (water: number, more: Partial<Composition> = {}): Composition => ({ flour: 0, salt: 0, water, ...more })
const item = (kind: IngredientKind, id: string, name: string, composition: Composition, more: More = {}): Ingredient => ({
  id,
  name,
  kind,
  composition,
  sugar: more.sugar,
  fat: more.fat,
  density: more.density,
  pieceGrams: more.pieceGrams,
  allergens: more.allergens ?? [],
  fine: more.fine ?? false,
  alsoCalled: more.alsoCalled
})
const flour = (id: string, name: string, flourKind: FlourKind, density: Range, alsoCalled: readonly string[]): Ingredient => ({
  ...item('flour', id, name, FLOUR, { density, allergens: flourKind === 'gluten-free' ? [] : ['gluten'], alsoCalled }),
  flourKind
})

export const BUILT_IN_INGREDIENTS: readonly Ingredient[] = [
  // The first of each kind carries the name of its kind: jars and builds that know only the kind draw on it.
  flour(
    'white wheat',
    'White wheat flour',
    'white wheat',
    [0.5, 0.65],
    ['white flour', 'plain flour', 'all purpose flour', 'all-purpose flour', 'flour', 'wheat flour']
  ),
  flour('strong white', 'Strong white flour', 'white wheat', [0.5, 0.65], ['strong flour', 'bread flour', 'strong bread flour', 'strong white bread flour']),
  flour(
    'wholegrain wheat',
    'Wholegrain wheat flour',
    'wholegrain wheat',
    [0.5, 0.58],
    ['wholemeal flour', 'whole wheat flour', 'wholemeal', 'whole wheat', 'wholewheat flour', 'wholegrain flour', 'wholegrain']
  ),
  flour('rye', 'Wholegrain rye flour', 'rye', [0.45, 0.55], ['rye flour', 'dark rye', 'dark rye flour', 'whole rye', 'rye']),
  flour('light rye', 'Light rye flour', 'rye', [0.45, 0.55], ['light rye', 'medium rye', 'white rye']),
  flour('spelt', 'Spelt flour', 'spelt', [0.5, 0.6], ['spelt', 'white spelt', 'wholegrain spelt', 'wholemeal spelt']),
  flour('ancient wheat', 'Einkorn or emmer flour', 'ancient wheat', [0.5, 0.6], ['einkorn', 'emmer', 'einkorn flour', 'emmer flour']),
  flour('durum', 'Durum flour', 'white wheat', [0.55, 0.68], ['durum', 'semolina', 'fine semolina', 'durum semolina']),
  flour(
    'gluten-free',
    'Gluten-free flour blend',
    'gluten-free',
    [0.5, 0.65],
    ['gluten free flour', 'gluten-free blend', 'gluten free blend', 'gluten-free flour']
  ),
  flour('buckwheat', 'Buckwheat flour', 'gluten-free', [0.5, 0.6], ['buckwheat']),
  flour('sorghum', 'Sorghum flour', 'gluten-free', [0.5, 0.6], ['sorghum']),
  flour('rice', 'Rice flour', 'gluten-free', [0.55, 0.68], ['rice flour', 'brown rice flour']),
  flour('maize', 'Maize flour', 'gluten-free', [0.5, 0.65], ['maize', 'cornflour', 'corn flour', 'polenta', 'cornmeal']),
  item('water', 'water', 'Water', WATER, { density: [1, 1], alsoCalled: ['water', 'warm water', 'cold water'] }),
  item('salt', 'salt', 'Salt', SALT, { density: [1.05, 1.3], fine: true, alsoCalled: ['salt', 'fine salt', 'sea salt', 'fine sea salt', 'table salt'] }),
  item('yeast', 'dry yeast', 'Instant yeast', holds(0.05), {
    density: [0.55, 0.7],
    fine: true,
    alsoCalled: ['instant yeast', 'dry yeast', 'dried yeast', 'fast yeast', 'yeast']
  }),
  item('yeast', 'fresh yeast', 'Fresh yeast', holds(0.7), { fine: true, alsoCalled: ['fresh yeast', 'cake yeast'] }),
  item('starter', 'discard', 'Discard, 100 %', levainOf(1), {
    density: [0.6, 1.1],
    allergens: ['gluten'],
    alsoCalled: ['discard', 'sourdough discard', 'starter', 'sourdough starter', 'levain', 'ripe starter', 'active starter', 'leaven']
  }),
  item('starter', 'stiff discard', 'Discard, 50 %', levainOf(0.5), { allergens: ['gluten'], alsoCalled: ['stiff starter', 'stiff levain'] }),
  item('dairy', 'milk', 'Milk', holds(0.88), { sugar: 0.048, fat: 0.035, density: [1.03, 1.03], allergens: ['milk'], alsoCalled: ['milk', 'whole milk'] }),
  item('dairy', 'buttermilk', 'Buttermilk', holds(0.9), {
    sugar: 0.045,
    fat: 0.01,
    density: [1.03, 1.03],
    allergens: ['milk'],
    alsoCalled: ['buttermilk', 'kefir']
  }),
  item('dairy', 'yoghurt', 'Yoghurt', holds(0.85), { sugar: 0.045, fat: 0.035, density: [1.02, 1.08], allergens: ['milk'], alsoCalled: ['yoghurt', 'yogurt'] }),
  item('dairy', 'cream', 'Cream', holds(0.6), { sugar: 0.03, fat: 0.33, density: [0.98, 1.01], allergens: ['milk'], alsoCalled: ['cream'] }),
  item('dairy', 'milk powder', 'Milk powder', holds(0.04), {
    sugar: 0.38,
    fat: 0.26,
    density: [0.45, 0.6],
    allergens: ['milk'],
    alsoCalled: ['milk powder', 'dried milk']
  }),
  item('dairy', 'cheese', 'Hard cheese', holds(0.36, { salt: 0.017 }), {
    fat: 0.33,
    density: [0.35, 0.5],
    allergens: ['milk'],
    alsoCalled: ['cheese', 'grated cheese', 'cheddar']
  }),
  item('egg', 'egg', 'Egg', holds(0.75), { fat: 0.1, pieceGrams: [45, 58], allergens: ['egg'], alsoCalled: ['egg', 'eggs', 'whole egg'] }),
  item('egg', 'egg yolk', 'Egg yolk', holds(0.5), {
    fat: 0.3,
    pieceGrams: [16, 20],
    allergens: ['egg'],
    alsoCalled: ['egg yolk', 'egg yolks', 'yolk', 'yolks']
  }),
  item('fat', 'butter', 'Butter', holds(0.16), {
    fat: 0.82,
    density: [0.91, 0.96],
    allergens: ['milk'],
    alsoCalled: ['butter', 'unsalted butter', 'soft butter']
  }),
  item('fat', 'oil', 'Oil', holds(0), { fat: 1, density: [0.91, 0.92], alsoCalled: ['oil', 'olive oil', 'vegetable oil', 'sunflower oil', 'rapeseed oil'] }),
  item('fat', 'lard', 'Lard', holds(0), { fat: 1, density: [0.9, 0.93], alsoCalled: ['lard', 'shortening'] }),
  item('sweet', 'honey', 'Honey', holds(0.17), { sugar: 0.8, density: [1.38, 1.45], alsoCalled: ['honey'] }),
  item('sweet', 'sugar', 'Sugar', holds(0), { sugar: 1, density: [0.8, 0.9], alsoCalled: ['sugar', 'caster sugar', 'white sugar', 'brown sugar'] }),
  item('sweet', 'syrup', 'Syrup or molasses', holds(0.22), {
    sugar: 0.75,
    density: [1.35, 1.45],
    alsoCalled: ['syrup', 'molasses', 'treacle', 'maple syrup', 'golden syrup']
  }),
  item('malt', 'malt flour', 'Diastatic malt flour', holds(0.06), {
    density: [0.5, 0.6],
    allergens: ['gluten'],
    fine: true,
    alsoCalled: ['malt', 'malt flour', 'malt powder', 'diastatic malt']
  }),
  item('malt', 'malt syrup', 'Malt syrup', holds(0.2), {
    sugar: 0.65,
    density: [1.38, 1.45],
    allergens: ['gluten'],
    alsoCalled: ['malt syrup', 'malt extract', 'barley malt syrup']
  }),
  item('seed', 'sunflower seeds', 'Sunflower seeds', holds(0.05), { density: [0.55, 0.65], alsoCalled: ['sunflower seeds', 'sunflower seed'] }),
  item('seed', 'pumpkin seeds', 'Pumpkin seeds', holds(0.05), { density: [0.5, 0.6], alsoCalled: ['pumpkin seeds'] }),
  item('seed', 'sesame', 'Sesame seeds', holds(0.05), {
    density: [0.58, 0.65],
    allergens: ['sesame'],
    alsoCalled: ['sesame', 'sesame seeds', 'toasted sesame']
  }),
  item('seed', 'linseed', 'Linseed', holds(0.06), { density: [0.65, 0.72], alsoCalled: ['linseed', 'linseeds', 'flaxseed', 'flax seeds', 'flax'] }),
  item('seed', 'poppy seeds', 'Poppy seeds', holds(0.06), { density: [0.55, 0.62], alsoCalled: ['poppy seeds', 'poppy seed'] }),
  item('seed', 'oats', 'Rolled oats', holds(0.09), {
    density: [0.35, 0.42],
    allergens: ['gluten'],
    alsoCalled: ['oats', 'rolled oats', 'porridge oats', 'oat flakes']
  }),
  item('seed', 'rye chops', 'Cracked rye', holds(0.13), {
    density: [0.6, 0.7],
    allergens: ['gluten'],
    alsoCalled: ['cracked rye', 'rye chops', 'rye kernels', 'rye berries']
  }),
  item('seed', 'walnuts', 'Walnuts', holds(0.04), { density: [0.4, 0.5], allergens: ['nuts'], alsoCalled: ['walnuts', 'walnut'] }),
  item('seed', 'hazelnuts', 'Hazelnuts', holds(0.05), { density: [0.5, 0.6], allergens: ['nuts'], alsoCalled: ['hazelnuts', 'nuts', 'almonds'] }),
  item('seed', 'psyllium', 'Psyllium husk', holds(0.08), { density: [0.25, 0.4], fine: true, alsoCalled: ['psyllium', 'psyllium husk'] }),
  item('spice', 'caraway', 'Caraway', holds(0.1), { density: [0.4, 0.5], fine: true, alsoCalled: ['caraway', 'caraway seeds'] }),
  item('spice', 'cinnamon', 'Cinnamon', holds(0.1), { density: [0.5, 0.6], fine: true, alsoCalled: ['cinnamon', 'ground cinnamon'] }),
  item('spice', 'spice', 'Bread spice', holds(0.1), { density: [0.4, 0.55], fine: true, alsoCalled: ['bread spice', 'coriander', 'fennel', 'fennel seeds'] }),
  item('fruit', 'raisins', 'Raisins', holds(0.15), { density: [0.6, 0.68], alsoCalled: ['raisins', 'sultanas', 'currants'] }),
  item('fruit', 'olives', 'Olives', holds(0.75, { salt: 0.03 }), { density: [0.6, 0.7], alsoCalled: ['olives', 'pitted olives'] }),
  item('fruit', 'dried fruit', 'Dried fruit', holds(0.25), {
    density: [0.55, 0.65],
    alsoCalled: ['dried fruit', 'dried apricots', 'figs', 'dates', 'cranberries']
  }),
  item('fruit', 'potato', 'Cooked potato', holds(0.78), { density: [0.85, 1], alsoCalled: ['potato', 'cooked potato', 'mashed potato'] }),
  item('other', 'porridge', 'Cooked porridge', holds(0.8), { density: [1, 1.08], allergens: ['gluten'], alsoCalled: ['porridge', 'cooked porridge'] }),
  item('other', 'soy drink', 'Soy drink', holds(0.91), {
    sugar: 0.02,
    fat: 0.018,
    density: [1.02, 1.04],
    allergens: ['soy'],
    alsoCalled: ['soy milk', 'soya milk', 'soy drink']
  })
]
