import { Plus } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Link } from 'react-router'
import type { Editable } from '@outfit/core/catalogue'

/** What can be made by hand, the commonest first. */
const OWN: readonly [Editable, string, string][] = [
  ['parts', 'Part', 'a mould in colours, with a print'],
  ['prints', 'Print', 'a recipe of layers'],
  ['moulds', 'Mould', 'a shape'],
  ['colours', 'Colour', 'a shade and its finish'],
  ['figures', 'Figure', 'slot by slot'],
  ['releases', 'Release', 'a box, pack, book or gift'],
]

/** Make something the catalogue does not have. */
export function OwnMenu() {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="inline-flex items-center gap-1.5 rounded-[8px] px-1.5 py-1 font-semibold whitespace-nowrap text-act hover:bg-band">
        <Plus aria-hidden className="size-4" /> Make your own
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-20 w-[270px] rounded-[12px] border border-rule bg-card p-1.5 shadow-lg"
        >
          <DropdownMenu.Item asChild>
            <Link to="/made" className="block rounded-[8px] px-2.5 py-1.5 outline-none data-[highlighted]:bg-band">
              <strong>Made item</strong> <span className="text-soft">of several parts: a staff, a cart</span>
            </Link>
          </DropdownMenu.Item>
          {OWN.map(([table, name, about]) => (
            <DropdownMenu.Item key={table} asChild>
              <Link
                to={`/catalogue/${table}/new`}
                className="block rounded-[8px] px-2.5 py-1.5 outline-none data-[highlighted]:bg-band"
              >
                <strong>{name}</strong> <span className="text-soft">{about}</span>
              </Link>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
