/**
 * Writes server/answers.json: the JSON Schema of what each method of each controller answers, read from its return
 * type, which the compiler checks. `npm run answers` writes it; `npm run answers -- --check` fails where the file is not what
 * the types say.
 */
import { execFileSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import TJS from 'typescript-json-schema'
import { ROOT } from './tree.mjs'

const { ts } = TJS
const SERVER = join(ROOT, 'server')
const SOURCES = join(SERVER, 'src')
const FILE = join(SERVER, 'answers.json')
/** Only ever in memory: one alias a method, for the compiler to say what it stands for. */
const ALIASES = join(SOURCES, 'answersOfMethods.ts')
const ROUTES = new Set(['Get', 'Post', 'Put', 'Delete', 'Patch'])

/** What is sent as it is and has no shape: files, streams, pages of text. */
const SHAPELESS = /^(void|string|any|unknown)$|\b(StreamableFile|Observable)\b/

const decoratorNames = (node) =>
  (ts.getDecorators(node) ?? []).map(({ expression }) => expression.expression?.text ?? expression.text)

/** Controllers and their methods with an address, by file. */
function controllers() {
  return readdirSync(SOURCES, { recursive: true })
    .filter((name) => /Controller\.ts$/.test(name))
    .sort()
    .flatMap((name) => {
      const file = join(SOURCES, name)
      const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2023, true)
      return source.statements
        .filter((node) => ts.isClassDeclaration(node) && decoratorNames(node).includes('Controller'))
        .map((node) => ({
          file,
          name: node.name.text,
          methods: node.members
            .filter((member) => ts.isMethodDeclaration(member) && decoratorNames(member).some((one) => ROUTES.has(one)))
            .map((member) => member.name.text),
        }))
    })
}

/** Its controllers are made in a function, where no type reaches them; they answer what their service does. */
const EDITING = { file: join(SOURCES, 'catalogue/editService.ts'), name: 'EditService', methods: ['create', 'save'] }

const aliasOf = (controller, method) => `Answer_${controller}_${method}`

function programWith(text) {
  const { config } = ts.readConfigFile(join(SERVER, 'tsconfig.json'), ts.sys.readFile)
  const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, SERVER)
  const all = { ...options, noEmit: true, composite: false, incremental: false, rewriteRelativeImportExtensions: false }
  const host = ts.createCompilerHost(all)
  const { getSourceFile, fileExists, readFile } = host
  host.getSourceFile = (name, ...rest) =>
    name === ALIASES ? ts.createSourceFile(name, text, ts.ScriptTarget.ES2023, true) : getSourceFile(name, ...rest)
  host.fileExists = (name) => name === ALIASES || fileExists(name)
  host.readFile = (name) => (name === ALIASES ? text : readFile(name))
  return ts.createProgram([...fileNames, ALIASES], all, host)
}

/**
 * The library looks for index signatures in the text of a type, where aliases such as Record have none, and makes of an
 * intersection a list of objects that each refuse the fields of the others. Fields of a mapped type it leaves out.
 */
function readMore() {
  const shape = TJS.JsonSchemaGenerator.prototype
  const { getClassDefinition, getIntersectionDefinition } = shape
  shape.getIntersectionDefinition = function (type, definition) {
    if (!type.types.every(({ flags }) => flags & ts.TypeFlags.Object))
      return getIntersectionDefinition.call(this, type, definition)
    const fields = this.tc.getPropertiesOfType(type)
    const required = fields.filter(({ flags }) => !(flags & ts.SymbolFlags.Optional)).map(({ name }) => name)
    return Object.assign(definition, {
      type: 'object',
      properties: Object.fromEntries(
        fields.map((field) => [field.name, this.getDefinitionForProperty(field, field.declarations[0])]),
      ),
      ...(required.length > 0 ? { required: required.sort() } : {}),
      additionalProperties: false,
    })
  }
  shape.getClassDefinition = function (type, definition) {
    getClassDefinition.call(this, type, definition)
    if (definition.type !== 'object') return definition
    for (const field of this.tc.getPropertiesOfType(type)) {
      if (Object.hasOwn(definition.properties ?? {}, field.name)) continue
      definition.properties = {
        ...definition.properties,
        [field.name]: this.getDefinitionForProperty(field, field.declarations[0]),
      }
      if (!(field.flags & ts.SymbolFlags.Optional))
        definition.required = [...(definition.required ?? []), field.name].sort()
    }
    const values = this.tc.getIndexInfoOfType(type, ts.IndexKind.String)?.type
    definition.additionalProperties = values ? this.getTypeDefinition(values) : false
    return definition
  }
}

function answersOfMethods() {
  readMore()
  const found = [...controllers(), EDITING]
  const text = found
    .flatMap(({ file, name, methods }) => [
      `import type { ${name} } from './${file.slice(SOURCES.length + 1)}'`,
      ...methods.map((method) => `export type ${aliasOf(name, method)} = Awaited<ReturnType<${name}['${method}']>>`),
    ])
    .join('\n')
  const program = programWith(text)
  const checker = program.getTypeChecker()
  const source = program.getSourceFile(ALIASES)
  const shown = new Map(
    source.statements
      .filter((node) => ts.isTypeAliasDeclaration(node))
      .map((node) => [
        node.name.text,
        checker.typeToString(checker.getTypeAtLocation(node.type), node, ts.TypeFormatFlags.NoTruncation),
      ]),
  )
  const generator = TJS.buildGenerator(program, {
    required: true,
    ignoreErrors: true,
    excludePrivate: true,
    defaultProps: false,
  })
  // It tells of defaults it cannot read, of which none are kept.
  console.warn = () => {}
  const answers = {}
  const schemas = {}
  for (const { name, methods } of found)
    for (const method of methods) {
      const alias = aliasOf(name, method)
      if (SHAPELESS.test(shown.get(alias))) continue
      const { definitions, $schema: _draft, ...schema } = generator.getSchemaForSymbol(alias)
      answers[`${name}_${method}`] = schema
      Object.assign(schemas, definitions)
    }
  return withPlainNames({ answers, schemas })
}

/** What the compiler calls a type names the file it stands in; here it is its own name, with a number where two have the same. */
function withPlainNames({ answers, schemas }) {
  const taken = new Map()
  const plain = new Map(
    Object.keys(schemas)
      .sort()
      .map((name) => {
        const own = name
          .replace(/import\(.*?\)\./g, '')
          .replace(/<.*/s, '')
          .replace(/\W+/g, '_')
        const count = (taken.get(own) ?? 0) + 1
        taken.set(own, count)
        return [name, count === 1 ? own : `${own}${count}`]
      }),
  )
  const renamed = (_key, value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
    if (typeof value.$ref !== 'string') return value
    const name = decodeURIComponent(value.$ref.slice('#/definitions/'.length))
    return { ...value, $ref: `#/components/schemas/${plain.get(name)}` }
  }
  const sorted = (entries) => Object.fromEntries(entries.sort(([a], [b]) => (a < b ? -1 : 1)))
  return JSON.parse(
    JSON.stringify(
      {
        answers: sorted(Object.entries(answers)),
        schemas: sorted(Object.entries(schemas).map(([name, schema]) => [plain.get(name), schema])),
      },
      renamed,
    ),
  )
}

const text = execFileSync('npx', ['oxfmt', '--stdin-filepath', FILE], {
  cwd: ROOT,
  encoding: 'utf8',
  input: JSON.stringify(answersOfMethods()),
})
if (!process.argv.includes('--check')) writeFileSync(FILE, text)
else if (!existsSync(FILE) || readFileSync(FILE, 'utf8') !== text) {
  console.error('server/answers.json is not what the controllers answer; run: npm run answers')
  process.exit(1)
}
