import { startSentence } from './start'
import { isOfTheKitchen, startPage } from './startPage'

test('the page says what the terminal says, and what is to be typed stands by itself', () => {
  const page = startPage(
    startSentence('damaged pages', { folder: '/home/b/kitchen.sqlite', detail: 'page 7', copy: { path: '/home/b/copies/k.sqlite', takenAt: 'Thursday' } })
  )
  expect(page).toContain('<p>The file of your kitchen is damaged (page 7): /home/b/kitchen.sqlite</p>')
  expect(page).toContain('<p>The last good copy is from Thursday: /home/b/copies/k.sqlite</p>')
  expect(page).toContain('<pre>npm run restore -- last</pre>')
  expect(page).toContain('<pre>npm start -- --as-it-is</pre>')
})

test('a folder’s name is never read as part of the page', () => {
  const page = startPage(startSentence('file gone', { folder: '/tmp/<script>alert("x")</script>' }))
  expect(page).toContain('/tmp/&lt;script&gt;alert(&quot;x&quot;)&lt;/script&gt;')
  expect(page).not.toContain('<script')
})

test('what only concerns the command has no page', () => {
  expect([isOfTheKitchen('entries lost'), isOfTheKitchen('disk full'), isOfTheKitchen('port taken'), isOfTheKitchen('in use')]).toEqual([
    true,
    true,
    false,
    false
  ])
})
