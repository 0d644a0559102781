import { Injectable } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { groupBy } from '@outfit/core/base'
import { type Drawables } from '@outfit/core/catalogue'
import { writeCsv } from '@outfit/core/tables'
import { decimalMoney } from '@outfit/core/market'
import { goodsOf, lateBy, parcelState, type ToldParcel } from '@outfit/core/parcels'
import { notFound } from '../base/problem.ts'
import { CatalogueService } from '../catalogue/catalogueService.ts'
import { ParcelEntity, ParcelLineEntity, SellerEntity } from '../schema/market.ts'
import { ParcelService } from '../market/parcelService.ts'
import { RosterEntity } from '../schema/roster.ts'
import { SharesService } from '../allotment/sharesService.ts'

/** Parcels as they are told: where each stands, who waits for it, and what is in it. */
@Injectable()
export class ParcelListService {
  constructor(
    private readonly database: DataSource,
    private readonly catalogue: CatalogueService,
    private readonly parcels: ParcelService,
    private readonly shares: SharesService,
  ) {}

  /** All, the newest order first. */
  async all(today: string): Promise<{ parcels: ToldParcel[] } & Drawables> {
    const db = this.database.manager
    const parcels = await db.find(ParcelEntity, { order: { orderedOn: 'DESC', id: 'DESC' } })
    const [lines, sellers, rosters, shares, toHome] = await Promise.all([
      db.find(ParcelLineEntity, { order: { parcel: 'ASC', line: 'ASC' } }),
      db.find(SellerEntity),
      db.find(RosterEntity),
      this.shares.all(),
      this.parcels.toHome(),
    ])
    const linesOf = groupBy(lines, ({ parcel }) => parcel)
    const names = await this.catalogue.namesOf(lines)
    const told = parcels.map(({ id, seller, roster, job: _job, act: _act, ...parcel }): ToldParcel => {
      const own = linesOf.get(id) ?? []
      const goods = goodsOf(own)
      const { shipping, handling, currency, orderedOn } = parcel
      const waiting = shares.flatMap(({ outfit, name, arriving }) => {
        const parts = arriving.filter((one) => one === id).length
        return parts > 0 ? [{ id: outfit.id, name, parts }] : []
      })
      return {
        ...parcel,
        id,
        seller: { code: seller, name: sellers.find(({ code }) => code === seller)?.name ?? seller },
        roster: rosters.filter((one) => one.id === roster).map(({ id: of, name }) => ({ id: of, name }))[0] ?? null,
        state: parcelState(parcel),
        late: lateBy(parcel, today),
        goods,
        home: toHome(goods + shipping + handling, currency, orderedOn),
        outfits: waiting,
        lines: own.map(({ parcel: _parcel, offer: _offer, ...line }) => ({
          ...line,
          name: names.get(line.code) ?? line.code,
        })),
      }
    })
    const yields = await this.catalogue.yields(lines)
    const parts = await this.catalogue.parts(
      lines.flatMap(({ kind, code }) => yields.get(`${kind} ${code}`)!.yields.map(({ part }) => part)),
    )
    return { parcels: told, parts, prints: await this.catalogue.printsOn(parts) }
  }

  /** A parcel with its lines and how it stands on a day. 404 where there is none. */
  async one(id: string, today: string): Promise<ToldParcel> {
    const parcel = (await this.all(today)).parcels.find((one) => one.id === id)
    if (!parcel) throw notFound('parcel', id)
    return parcel
  }

  /** The order list of a parcel as CSV, in the seller's currency. */
  async orderCsv(id: string, today: string): Promise<{ name: string; csv: string }> {
    const { seller, currency, lines, goods, shipping, handling, orderedOn } = await this.one(id, today)
    const money = (amount: number) => decimalMoney(amount, currency)
    const rows = lines
      .filter(({ qty }) => qty > 0)
      .map(({ code, name, condition, qty, price }) => [code, name, condition, qty, money(price), money(price * qty)])
    const sums = [
      ['', 'Goods', '', '', '', money(goods)],
      ['', 'Shipping', '', '', '', money(shipping)],
      ['', 'Handling', '', '', '', money(handling)],
      ['', 'Total', '', '', '', money(goods + shipping + handling)],
    ]
    const csv = writeCsv(
      ['code', 'item', 'condition', 'qty', `each (${currency})`, `sum (${currency})`],
      [...rows, ...sums],
    )
    return { name: `order ${seller.name} ${orderedOn}`, csv }
  }
}
