import { z } from 'zod'
import { accessSchema, pairingSchema, passphrasePutSchema, signedInSchema, signInSchema } from './access'
import { bakeEventSchema, bakePageSchema, bakePostSchema, bakePutSchema, bakeQuerySchema, bakeSchema } from './bakes'
import { calendarAddressesSchema, calendarMadeSchema, calendarPostSchema } from './calendar'
import { changesQuerySchema, changesSchema } from './changes'
import { doneSchema } from './common'
import { bringInSchema, copiesFolderSchema, copiesSchema, takenAlongSchema } from './copies'
import { deviceDeedSchema, deviceMadeSchema, devicePostSchema, devicePushSchema, devicesSchema } from './devices'
import { discardSchema, discardUseSchema } from './discard'
import { formulaPostSchema, formulaPutSchema, formulasSchema, formulaVersionsSchema, savedFormulaSchema } from './formulas'
import {
  feedSchema,
  jarCorrectionSchema,
  jarEndSchema,
  jarHistoryQuerySchema,
  jarHistorySchema,
  jarLogSchema,
  jarLookSchema,
  jarMoveSchema,
  jarOpeningSchema,
  jarPacePutSchema,
  jarPutOffSchema,
  jarPutSchema,
  jarSchema,
  jarSplitSchema,
  jarsSchema,
  jarToldAnswerSchema,
  undoSchema,
  weighingSchema
} from './jars'
import {
  clockMoveSchema,
  clockSchema,
  firstRunSchema,
  kitchenAnswerSchema,
  kitchenPutSchema,
  kitchenSchema,
  readingsPostSchema,
  readingsSchema
} from './kitchen'
import { pictureMadeSchema } from './pictures'
import { programEntrySchema, programPostSchema, runningProgramSchema } from './programs'
import { ROUTES } from './routes'
import { shelfSchema, stockSchema } from './shelf'
import { ingredientPutSchema, ingredientsSchema, listedIngredientSchema, listedVesselSchema, vesselPutSchema, vesselsSchema } from './stores'
import { togetherSchema } from './together'

/** What can be asked of the server at one address, in one way. */
export interface Operation {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  /** Its address; a part in braces stands for an id. */
  readonly path: string
  /** What it does, in a few words. */
  readonly does: string
  /** What it is sent, as JSON; or the type of the file it is sent. */
  readonly takes?: z.ZodType | string
  /** What may follow the question mark. */
  readonly query?: z.ZodObject
  /** What it answers, as JSON; or the type of the file it answers with. */
  readonly gives: z.ZodType | string
  /** Who may ask: whoever is in, everybody, or who has the key of this one thing. */
  readonly who?: 'everybody' | 'key in the address' | 'key of the device'
}

const { health, kitchen, formulas, ingredients, vessels } = ROUTES
const id = '{id}'
const get = (path: string, does: string, gives: Operation['gives'], more: Partial<Operation> = {}): Operation => ({ method: 'GET', path, does, gives, ...more })
const post = (path: string, does: string, takes: Operation['takes'], gives: Operation['gives'], more: Partial<Operation> = {}): Operation => ({
  method: 'POST',
  path,
  does,
  takes,
  gives,
  ...more
})
const put = (path: string, does: string, takes: Operation['takes'], gives: Operation['gives']): Operation => ({ method: 'PUT', path, does, takes, gives })
const remove = (path: string, does: string, gives: Operation['gives']): Operation => ({ method: 'DELETE', path, does, gives })

/** Everything that can be asked of the server, by what it is about. A test holds it to the routes there are. */
export const API: Readonly<Record<string, readonly Operation[]>> = {
  'This program': [
    get(health, 'tells that it answers', doneSchema, { who: 'everybody' }),
    get(ROUTES.clock, 'tells the time of the server, and when the newest entry was made', clockSchema),
    post(ROUTES.clock, 'moves the clock; only where it stands still, for tests and pictures', clockMoveSchema, clockSchema),
    get(ROUTES.live, 'tells readings and changes as they come', 'text/event-stream')
  ],
  Kitchen: [
    get(kitchen, 'tells the kitchen; null before the first run', kitchenAnswerSchema),
    put(kitchen, 'changes its settings', kitchenPutSchema, kitchenSchema),
    post(ROUTES.firstRun, 'opens a new kitchen', firstRunSchema, kitchenSchema),
    get(ROUTES.changes, 'tells what was overwritten in one thing, change by change', changesSchema, { query: changesQuerySchema }),
    get(ROUTES.placeReadings(id), 'tells temperatures of a place', readingsSchema),
    post(ROUTES.placeReadings(id), 'adds a log of temperatures to a place', readingsPostSchema, readingsSchema),
    put(ROUTES.readingsImport(id), 'takes a log in again that was taken back', undefined, readingsSchema),
    remove(ROUTES.readingsImport(id), 'takes a log back', readingsSchema)
  ],
  Jars: [
    get(ROUTES.jars, 'lists the jars', jarsSchema),
    post(ROUTES.jars, 'opens a jar', jarOpeningSchema, jarSchema),
    put(ROUTES.jar(id), 'changes what a jar is', jarPutSchema, jarSchema),
    post(ROUTES.jarFeeds(id), 'notes a feed', feedSchema, jarSchema),
    post(ROUTES.jarLooks(id), 'notes a look', jarLookSchema, jarSchema),
    get(ROUTES.jarTold(id), 'tells what a jar was told to be when it came', jarToldAnswerSchema),
    post(ROUTES.jarTold(id), 'corrects what a jar was told to be when it came', jarCorrectionSchema, jarSchema),
    post(ROUTES.jarWeighings(id), 'notes what a jar weighs', weighingSchema, jarSchema),
    post(ROUTES.jarMoves(id), 'notes that a jar stands elsewhere, or is to', jarMoveSchema, jarSchema),
    post(ROUTES.jarPutOff(id), 'puts the feed of a jar off', jarPutOffSchema, jarSchema),
    post(ROUTES.jarSplits(id), 'opens a jar from another one', jarSplitSchema, jarSchema),
    put(ROUTES.jarPace(id), 'sets or frees the pace of a jar', jarPacePutSchema, jarSchema),
    post(ROUTES.jarUndo(id), 'takes an entry back', undoSchema, jarSchema),
    post(ROUTES.jarEnd(id), 'notes that a jar is no more', jarEndSchema, jarsSchema),
    post(ROUTES.jarRestore(id), 'takes the end of a jar back', undoSchema, jarSchema),
    get(ROUTES.jarHistory(id), 'tells what happened to a jar, newest first', jarHistorySchema, { query: jarHistoryQuerySchema }),
    get(ROUTES.jarLog(id), 'tells all that a jar can be learned from', jarLogSchema),
    post(ROUTES.together, 'does several things as one: all of them or none', togetherSchema, jarsSchema),
    post(ROUTES.togetherUndo, 'takes them back', undoSchema, jarsSchema),
    get(ROUTES.discard, 'tells what is in the discard pot', discardSchema),
    post(ROUTES.discard, 'takes discard out', discardUseSchema, discardSchema),
    post(ROUTES.discardUndo, 'takes that back', undoSchema, discardSchema)
  ],
  Programs: [
    post(ROUTES.programs, 'begins a program of a jar', programPostSchema, runningProgramSchema),
    get(ROUTES.program(id), 'tells a program and how far it is', runningProgramSchema),
    put(ROUTES.program(id), 'goes on with a program that was ended', undefined, runningProgramSchema),
    remove(ROUTES.program(id), 'ends a program', runningProgramSchema),
    post(ROUTES.programEntries(id), 'notes a step as done, moved or left out', programEntrySchema, runningProgramSchema),
    post(ROUTES.programUndo(id), 'takes an entry back', undoSchema, runningProgramSchema)
  ],
  Bakes: [
    get(ROUTES.bakes, 'lists bakes, those under way first', bakePageSchema, { query: bakeQuerySchema }),
    post(ROUTES.bakes, 'plans a bake', bakePostSchema, bakeSchema),
    get(ROUTES.bake(id), 'tells a bake: its plan and what happened', bakeSchema),
    put(ROUTES.bake(id), 'changes a plan', bakePutSchema, bakeSchema),
    remove(ROUTES.bake(id), 'removes a bake', bakeSchema),
    post(ROUTES.bakeRestore(id), 'brings a removed bake back', undefined, bakeSchema),
    post(ROUTES.bakeEvents(id), 'notes what happened: a pour, a look, a mix, a step, an outcome', bakeEventSchema, bakeSchema)
  ],
  Recipes: [
    get(formulas, 'lists saved recipes', formulasSchema),
    post(formulas, 'saves a recipe', formulaPostSchema, savedFormulaSchema),
    put(ROUTES.formula(id), 'saves a new version', formulaPutSchema, savedFormulaSchema),
    remove(ROUTES.formula(id), 'removes a recipe', savedFormulaSchema),
    post(ROUTES.formulaRestore(id), 'brings a removed recipe back', undefined, savedFormulaSchema),
    get(ROUTES.formulaVersions(id), 'tells its earlier versions', formulaVersionsSchema)
  ],
  Shelf: [
    get(ROUTES.shelf, 'tells the stock', shelfSchema),
    post(ROUTES.stock, 'notes what was bought, counted or thrown away', stockSchema, shelfSchema),
    post(ROUTES.stockUndo, 'takes that back', undoSchema, shelfSchema),
    get(ingredients, 'lists ingredients', ingredientsSchema),
    put(ROUTES.ingredient('ID').replace('ID', id), 'adds or changes an ingredient', ingredientPutSchema, listedIngredientSchema),
    remove(ROUTES.ingredient('ID').replace('ID', id), 'removes an ingredient', ingredientsSchema),
    get(vessels, 'lists vessels', vesselsSchema),
    put(ROUTES.vessel(id), 'adds or changes a vessel', vesselPutSchema, listedVesselSchema),
    remove(ROUTES.vessel(id), 'removes a vessel', vesselsSchema),
    post(ROUTES.vesselRestore(id), 'brings a removed vessel back', undefined, vesselsSchema)
  ],
  Devices: [
    get(ROUTES.devices, 'lists scales and sensors', devicesSchema),
    post(ROUTES.devices, 'adds a device; its key is told once', devicePostSchema, deviceMadeSchema),
    remove(ROUTES.device(id), 'removes a device; its key stops working', devicesSchema),
    post(ROUTES.deviceReadings(id), 'takes readings of a device', devicePushSchema, z.object({ taken: z.number() }), { who: 'key of the device' }),
    post(ROUTES.deviceDeeds(id), 'moves a stand-in, as a hand would the device', deviceDeedSchema, doneSchema)
  ],
  Calendar: [
    get(ROUTES.calendar, 'gives the steps to come', 'text/calendar'),
    get(ROUTES.bakeCalendar(id), 'gives the steps of one bake', 'text/calendar'),
    get(ROUTES.calendarAt('{token}'), 'gives the steps to come to a calendar program', 'text/calendar', { who: 'key in the address' }),
    get(ROUTES.calendarAddresses, 'lists private addresses', calendarAddressesSchema),
    post(ROUTES.calendarAddresses, 'makes a private address; it is told once', calendarPostSchema, calendarMadeSchema),
    remove(ROUTES.calendarAddress(id), 'makes an address stop working', calendarAddressesSchema)
  ],
  Pictures: [post(ROUTES.pictures, 'keeps a picture', 'image/jpeg', pictureMadeSchema), get(ROUTES.picture('{name}'), 'gives a picture', 'image/jpeg')],
  'Kept safe': [
    get(ROUTES.copies, 'lists copies of the kitchen', copiesSchema),
    post(ROUTES.copies, 'makes a copy now', undefined, copiesSchema),
    put(ROUTES.copiesFolder, 'has copies kept in another folder', copiesFolderSchema, copiesSchema),
    get(ROUTES.takeAlong, 'gives everything in one file', 'application/zip'),
    post(ROUTES.bringIn, 'looks into such a file; nothing is changed yet', 'application/zip', takenAlongSchema),
    post(ROUTES.broughtIn(id), 'puts it in the place of this kitchen, or adds it', bringInSchema, doneSchema),
    remove(ROUTES.broughtIn(id), 'forgets it', doneSchema)
  ],
  'Who may come in': [
    get(ROUTES.access, 'tells who is in', accessSchema),
    post(ROUTES.session, 'signs in, with the passphrase or a pairing code', signInSchema, signedInSchema, { who: 'everybody' }),
    remove(ROUTES.sessionOf(id), 'signs a device out', accessSchema),
    post(ROUTES.pairings, 'makes a code that lets one device in', undefined, pairingSchema),
    put(ROUTES.passphrase, 'changes the passphrase', passphrasePutSchema, accessSchema)
  ]
}
