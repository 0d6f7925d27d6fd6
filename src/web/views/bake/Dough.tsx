import { ActionIcon, Button, Group, SegmentedControl, Select, SimpleGrid, Text } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { Link } from 'react-router'
import { problemSentence } from '../../../contract'
import { FLOUR_KINDS, type FlourKind, HANDLING_LOSS, PERCENTAGE_BASES, type PercentageBase, POSSIBLE, restate } from '../../../core'
import { useKitchen } from '../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../parts/Card'
import { QuantityField } from '../../parts/QuantityField'
import classes from './BakeSheet.module.css'
import type { StationProps } from './station'
import { Warnings } from './Warnings'

const BASE_SAYS: Readonly<Record<PercentageBase, string>> = {
  'total flour': 'All flour is 100 %, the levain’s too. The levain is given as its share of that flour.',
  'dough flour': 'Flour added at the mix is 100 %. Water and salt are set so that the whole dough meets your figures.',
  plain: 'Flour added at the mix is 100 %, every figure is taken as written, and the levain’s flour and water are not counted.'
}

/** Wish and grams of the dough. */
export function Dough(props: StationProps) {
  const { plan, edit, solved, frozen } = props
  const { format } = useKitchen()
  const dough = solved?.dough.ok ? solved.dough.value : null
  const setBase = (base: PercentageBase) => {
    if (dough === null) return edit({ base })
    const { hydration, salt, levain } = restate(dough.exact.masses, base, plan.levainHydration)
    edit({ base, hydration, salt, levain })
  }
  return (
    <div className={classes.columns}>
      <fieldset disabled={frozen} className={classes.plain}>
        <Card title="What you want">
          <Pieces {...props} />
          <SimpleGrid cols={{ base: 2, sm: 3 }} mt="md">
            <QuantityField kind="percent" label="Hydration" value={plan.hydration} range={POSSIBLE.hydration} onCommit={(hydration) => edit({ hydration })} />
            <QuantityField kind="percent" label="Salt" value={plan.salt} range={POSSIBLE.salt} onCommit={(salt) => edit({ salt })} />
            <QuantityField
              kind="percent"
              label={plan.base === 'total flour' ? 'Flour in levain' : 'Levain'}
              what={plan.base === 'total flour' ? 'Flour in the levain' : 'Levain'}
              value={plan.levain}
              range={POSSIBLE.levain}
              onCommit={(levain) => edit({ levain })}
            />
          </SimpleGrid>
          <Select
            mt="md"
            label="Flour of the dough"
            data={[...FLOUR_KINDS]}
            value={plan.flour}
            disabled={frozen}
            onChange={(v) => v !== null && edit({ flour: v as FlourKind })}
          />
          <Text mt="md" mb={6} fw={500}>
            What counts as 100 %
          </Text>
          <SegmentedControl
            fullWidth
            disabled={frozen}
            data={[...PERCENTAGE_BASES]}
            value={plan.base}
            onChange={(v) => setBase(v as PercentageBase)}
            aria-label="Percentage base"
          />
          <Note>{BASE_SAYS[plan.base]} Changing it keeps the grams.</Note>
        </Card>
      </fieldset>
      <div className={classes.stack}>
        <Card title="Weigh">
          {dough === null ? (
            <Note tone="stop">{solved?.problem === null || solved === null ? 'Fill in the figures on the left.' : problemSentence(solved.problem)}</Note>
          ) : (
            <>
              <table className={classes.weigh}>
                <thead>
                  <tr>
                    <th scope="col" className={classes.unseen}>
                      Ingredient
                    </th>
                    <th scope="col">of {plan.base === 'total flour' ? 'total flour' : 'dough flour'}</th>
                    <th scope="col">grams</th>
                  </tr>
                </thead>
                <tbody>
                  {(
                    [
                      [`Flour, ${plan.flour}`, dough.exact.masses.flour, dough.weigh.flour],
                      ['Water', dough.exact.masses.water, dough.weigh.water],
                      [`Levain at ${format.percent(plan.levainHydration, 0)}`, dough.exact.masses.levain, dough.weigh.levain],
                      ['Salt', dough.exact.masses.salt, dough.weigh.salt]
                    ] as const
                  ).map(([name, exact, weigh]) => (
                    <tr key={name}>
                      <th scope="row">{name}</th>
                      <td>{format.percent(exact / dough.exact.baseFlourGrams)}</td>
                      <td className={classes.grams}>
                        <Mass grams={weigh} />
                      </td>
                    </tr>
                  ))}
                </tbody>
                <tfoot>
                  <tr>
                    <th scope="row">Dough</th>
                    <td>{format.percent(dough.exact.divisor)}</td>
                    <td className={classes.grams}>
                      <Mass grams={dough.truth.totalGrams} />
                    </td>
                  </tr>
                </tfoot>
              </table>
              <details className={classes.how}>
                <summary>How {format.mass(dough.exact.masses.flour)} of flour came about</summary>
                <p>
                  {format.mass(dough.doughGrams)} of dough ({plan.pieces.map((p) => `${p.count} × ${format.mass(p.grams)}`).join(' + ')}, and{' '}
                  {format.percent(HANDLING_LOSS, 0)} that sticks) ÷ {dough.exact.divisor.toFixed(4)} = {format.mass(dough.exact.baseFlourGrams)} that counts as
                  100 %
                  {plan.base === 'total flour' && `, less ${format.mass(dough.exact.baseFlourGrams - dough.exact.masses.flour)} that comes with the levain`}.
                </p>
              </details>
            </>
          )}
        </Card>
        {dough !== null && (
          <Card title="What is really in it">
            <Figures>
              <Figure value={format.percent(dough.truth.hydration)} name="hydration" />
              <Figure value={format.percent(dough.truth.salt, 2)} name="salt" />
              <Figure value={format.percent(dough.exact.preFermented)} name="flour that ripens ahead" />
            </Figures>
            <Text c="dimmed" mt="xs">
              With the levain’s flour and water counted, from the rounded grams.
            </Text>
            <Warnings {...props} codes={['hydration unusual', 'salt unusual', 'pre-fermented unusual', 'piece unusual']} />
            {plan.flour === 'gluten-free' ? null : <Text mt="sm">Contains gluten.</Text>}
          </Card>
        )}
        <Button component={Link} to={`/bakes/${props.bake.id}/build`} variant="light" size="lg">
          On to the levain
        </Button>
      </div>
    </div>
  )
}

function Pieces({ plan, edit }: StationProps) {
  const set = (i: number, patch: Partial<{ count: number; grams: number }>) => edit({ pieces: plan.pieces.map((p, n) => (n === i ? { ...p, ...patch } : p)) })
  return (
    <div className={classes.pieces}>
      {plan.pieces.map((piece, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: pieces have no identity of their own, only an order
        <Group key={i} wrap="nowrap" align="flex-end" gap="sm">
          <QuantityField
            kind="count"
            label={i === 0 ? 'Pieces' : undefined}
            aria-label={`Number of pieces, size ${i + 1}`}
            what="The number of pieces"
            value={piece.count}
            range={POSSIBLE.pieceCount}
            onCommit={(count) => set(i, { count })}
            w={100}
          />
          <QuantityField
            kind="mass"
            label={i === 0 ? 'Dough in each' : undefined}
            aria-label={`Weight of a piece, size ${i + 1}`}
            what="A piece"
            value={piece.grams}
            range={POSSIBLE.pieceGrams}
            onCommit={(grams) => set(i, { grams })}
            style={{ flex: 1 }}
          />
          {plan.pieces.length > 1 && (
            <ActionIcon aria-label={`Take away size ${i + 1}`} onClick={() => edit({ pieces: plan.pieces.filter((_, n) => n !== i) })}>
              <IconMinus size={20} />
            </ActionIcon>
          )}
        </Group>
      ))}
      {plan.pieces.length < 20 && (
        <Button variant="subtle" size="sm" leftSection={<IconPlus size={18} />} onClick={() => edit({ pieces: [...plan.pieces, { count: 1, grams: 500 }] })}>
          Another size
        </Button>
      )}
    </div>
  )
}
