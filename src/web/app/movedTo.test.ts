import { movedTo } from './movedTo'

test.each([
  ['/bakes/7/dough', '/bakes/7/recipe'],
  ['/bakes/7/build', '/bakes/7/levain'],
  ['/bakes/7/clock', '/bakes/7/plan'],
  ['/bakes/7/bench', '/bakes/7/weigh'],
  ['/bakes/7/oven', '/bakes/7/bread'],
  ['/formulas', '/recipes'],
  ['/formulas/3', '/recipes/3']
])('a bookmark of %s leads on to %s', (before, now) => {
  expect(movedTo(before)).toBe(now)
})

test.each(['/', '/bakes/7', '/bakes/7/watch', '/bakes/7/plan', '/bakes/7/constructor', '/recipes/3', '/jars/dough'])('%s is where it was', (path) => {
  expect(movedTo(path)).toBeNull()
})
