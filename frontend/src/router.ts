/** Addresses and the views behind them. */
import { createRouter } from 'sv-router'
import BriefView from './views/BriefView.svelte'
import BuildShell from './views/BuildShell.svelte'
import BuildsView from './views/BuildsView.svelte'
import CatalogueView from './views/CatalogueView.svelte'
import MeasureView from './views/MeasureView.svelte'
import MoneyView from './views/MoneyView.svelte'
import NotFound from './views/NotFound.svelte'
import PartsView from './views/PartsView.svelte'
import PrintView from './views/PrintView.svelte'
import RoomsView from './views/RoomsView.svelte'
import ShopsView from './views/ShopsView.svelte'
import RoomView from './views/RoomView.svelte'

export const { p, navigate, route } = createRouter({
  '/': BuildsView,
  '/builds/:id': {
    '/': PartsView,
    '/brief': BriefView,
    '/room': RoomView,
    '/rooms': RoomsView,
    '/room/measure': MeasureView,
    '/parts': PartsView,
    '/money': MoneyView,
    '/catalogue': CatalogueView,
    '/shops': ShopsView,
    '/print': PrintView,
    layout: BuildShell,
  },
  '*': NotFound,
})
