import { createRouter, createWebHistory } from 'vue-router'
import RailPlace from './places/RailPlace.vue'

export const STATIONS = ['hang', 'block', 'price', 'pack'] as const
export type Station = (typeof STATIONS)[number]

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'rail', component: RailPlace },
    { path: '/new', name: 'new', component: () => import('./places/NewLot.vue') },
    { path: '/cuts', name: 'cuts', component: () => import('./places/LibraryPlace.vue') },
    { path: '/farm', name: 'farm', component: () => import('./places/farm/FarmPlace.vue') },
    {
      path: '/lots/:id',
      component: () => import('./frame/LotFrame.vue'),
      children: [
        { path: '', redirect: (to) => ({ name: 'hang', params: to.params }) },
        { path: 'hang', name: 'hang', component: () => import('./stations/hang/HangStation.vue') },
        { path: 'block', name: 'block', component: () => import('./stations/block/BlockStation.vue') },
        {
          path: 'trim',
          name: 'trim',
          meta: { station: 'block' },
          component: () => import('./stations/block/TrimView.vue'),
        },
        {
          path: 'card',
          name: 'card',
          meta: { station: 'block' },
          component: () => import('./stations/block/CardView.vue'),
        },
        {
          path: 'plans',
          name: 'plans',
          meta: { station: 'block' },
          component: () => import('./stations/block/PlansView.vue'),
        },
        { path: 'price', name: 'price', component: () => import('./stations/price/PriceStation.vue') },
        { path: 'pack', name: 'pack', component: () => import('./stations/pack/PackStation.vue') },
      ],
    },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./places/NowherePlace.vue') },
  ],
})
