import sqlite3 from 'sqlite3'

/** An open SQLite file, beside the one Sequelize has. */
export interface OpenFile {
  readonly file: sqlite3.Database
  close(): Promise<void>
}

/**
 * Opens a SQLite file by itself: to look at it before anything is changed, or to copy it.
 * @param path made when it is missing, unless `readOnly`
 */
export function withFile(path: string, { readOnly = false } = {}): Promise<OpenFile> {
  return new Promise((resolve, reject) => {
    const mode = readOnly ? sqlite3.OPEN_READONLY : sqlite3.OPEN_READWRITE | sqlite3.OPEN_CREATE
    const file = new sqlite3.Database(path, mode, (error) => {
      if (error === null)
        resolve({
          file,
          close: () => new Promise((closed, failed) => file.close((problem) => (problem === null ? closed() : failed(problem))))
        })
      else reject(error)
    })
  })
}

/** Runs one statement. @throws the error of SQLite, with its `code` */
export function runSql(file: sqlite3.Database, sql: string, values: readonly unknown[] = []): Promise<void> {
  return new Promise((resolve, reject) => {
    file.run(sql, values, (error: Error | null) => (error === null ? resolve() : reject(error)))
  })
}

/** Rows of one question. */
export function rowsOf<Row>(file: sqlite3.Database, sql: string, values: readonly unknown[] = []): Promise<Row[]> {
  return new Promise((resolve, reject) => {
    file.all(sql, values, (error: Error | null, rows: Row[]) => (error === null ? resolve(rows) : reject(error)))
  })
}

/** A column of a table, with its SQLite type. */
export interface Column {
  readonly name: string
  readonly type: string
}

/** Columns of a table of the file that was opened, not of one that was attached to it; none where it has no such table. */
export const columnsOf = (file: sqlite3.Database, table: string): Promise<Column[]> => rowsOf<Column>(file, `PRAGMA main.table_info(${table})`)
