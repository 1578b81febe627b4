import { createRouter, createWebHistory } from 'vue-router'
import RailPlace from './places/RailPlace.vue'
import { stationRoutes } from './stations/registry.ts'

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
      children: [{ path: '', redirect: (to) => ({ name: 'hang', params: to.params }) }, ...stationRoutes],
    },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./places/NowherePlace.vue') },
  ],
})
