import { useEffect } from 'react'
import { useLocation } from 'react-router'
import { TRADE_WORDS } from '../../../words'
import { WORDS_ROOM } from '../../../words/screens/words'
import { Card, Note } from '../../parts/cards/Card'
import { Room } from '../../parts/cards/Room'
import classes from './WordsRoom.module.css'

/** All trade words and what they mean; an address may point at one. */
export function WordsRoom() {
  const { hash } = useLocation()
  const asked = decodeURIComponent(hash.slice(1))
  useEffect(() => {
    if (asked !== '') document.getElementById(asked)?.scrollIntoView({ block: 'center' })
  }, [asked])
  return (
    <Room title={WORDS_ROOM.words}>
      <Card>
        <Note>{WORDS_ROOM.underlined}</Note>
        <dl className={classes.list}>
          {TRADE_WORDS.map(({ word, says }) => (
            <div key={word} id={word} className={classes.row} data-asked={word === asked || undefined}>
              <dt>{word}</dt>
              <dd>{says}</dd>
            </div>
          ))}
        </dl>
      </Card>
    </Room>
  )
}
