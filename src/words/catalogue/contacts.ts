// Made from words/en/contacts.json by `npm run words`. Change it there.
import { l, plural, type Text } from '@/words/runtime';
import { number } from '@/words/format';

export const suppliersAndCustomers = () => l`Suppliers and customers`;
export const lead = () => l`Who parcels come from and who shipments go to. The address stands on claims and packing lists.`;
export const suppliers = () => l`Suppliers`;
export const customers = () => l`Customers`;
export const nobodyYet = () => l`Nobody yet. They appear here with the first parcel and the first shipment.`;
export const supplierDealings = (d: { lots: number; units: number; lastOn: Text }) => l`${plural(d.lots, 0, { "0": l`no parcel yet`, "one": l`${number(d.lots)} parcel, `, "other": l`${number(d.lots)} parcels, ` })}${plural(d.lots, 0, { "0": l``, "other": l`${plural(d.units, 0, { "one": l`${number(d.units)} unit`, "other": l`${number(d.units)} units` })}, last on ${d.lastOn}` })}`;
export const customerDealings = (d: { lots: number; units: number; lastOn: Text }) => l`${plural(d.lots, 0, { "0": l`no shipment yet`, "one": l`${number(d.lots)} shipment, `, "other": l`${number(d.lots)} shipments, ` })}${plural(d.lots, 0, { "0": l``, "other": l`${plural(d.units, 0, { "one": l`${number(d.units)} unit`, "other": l`${number(d.units)} units` })}, last on ${d.lastOn}` })}`;
export const addressOf = (d: { name: Text }) => l`Address of ${d.name}`;
export const noAddress = () => l`no address`;
export const saveAddress = () => l`Save`;
export const saveAddressOf = (d: { name: Text }) => l`Save the address of ${d.name}`;
export const newSupplier = () => l`New supplier`;
export const newCustomer = () => l`New customer`;
export const addSupplier = () => l`Add supplier`;
export const addCustomer = () => l`Add customer`;
