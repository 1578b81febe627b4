import { createRouter, createWebHistory } from 'vue-router'
import RailPlace from './places/RailPlace.vue'
import { withEverySpecies } from './state/species.ts'
import { stationRoutes } from './stations/registry.ts'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'rail', component: RailPlace },
    { path: '/new', name: 'new', component: () => import('./places/NewLot.vue') },
    { path: '/cuts', name: 'cuts', component: () => withEverySpecies(import('./places/cuts/CutsPlace.vue')) },
    {
      path: '/cuts/ways',
      name: 'ways',
      component: () => withEverySpecies(import('./places/cuts/WaysPlace.vue')),
    },
    {
      path: '/cuts/:species/:cut',
      name: 'cut',
      component: () => withEverySpecies(import('./places/cuts/CutPage.vue')),
    },
    {
      path: '/practice',
      name: 'practice',
      component: () => withEverySpecies(import('./places/practice/PracticePlace.vue')),
    },
    { path: '/packs', name: 'store', component: () => import('./places/packs/PacksPlace.vue') },
    { path: '/packs/:number', name: 'trace', component: () => import('./places/packs/TracePlace.vue') },
    { path: '/farm', name: 'farm', component: () => import('./places/farm/FarmPlace.vue') },
    {
      path: '/lots/:id',
      component: () => import('./frame/LotFrame.vue'),
      children: [{ path: '', redirect: (to) => ({ name: 'hang', params: to.params }) }, ...stationRoutes],
    },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./places/NowherePlace.vue') },
  ],
})
