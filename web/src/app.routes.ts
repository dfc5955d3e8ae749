import type { Routes } from '@angular/router';
import { signedIn } from './stores/session.store';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'floor' },
  { path: 'sign-in', title: 'Sign in · Plain Cleat', loadComponent: () => import('./sign-in/sign-in') },
  { path: 'floor', title: 'Floor · Plain Cleat', canActivate: [signedIn], loadComponent: () => import('./floor/floor') },
  { path: 'rigs', title: 'Rigs · Plain Cleat', canActivate: [signedIn], loadComponent: () => import('./rigs/rigs') },
  { path: 'hulls', title: 'Hulls · Plain Cleat', canActivate: [signedIn], loadComponent: () => import('./hulls/hulls') },
  {
    path: 'assemblies',
    title: 'Assemblies · Plain Cleat',
    canActivate: [signedIn],
    loadComponent: () => import('./assemblies/assemblies'),
  },
  { path: 'cuts', title: 'Cut plans · Plain Cleat', canActivate: [signedIn], loadComponent: () => import('./cuts/cuts') },
  { path: 'shop', title: 'Shop · Plain Cleat', canActivate: [signedIn], loadComponent: () => import('./shop/shop') },
  { path: 'staff', title: 'Staff · Plain Cleat', canActivate: [signedIn], loadComponent: () => import('./staff/staff') },
  {
    path: 'hulls/own/:own',
    title: 'Ledger · Plain Cleat',
    canActivate: [signedIn],
    loadComponent: () => import('./hulls/ledger'),
  },
  {
    path: 'hulls/:hull',
    title: 'Hull · Plain Cleat',
    canActivate: [signedIn],
    loadComponent: () => import('./hulls/hull-measure'),
  },
  { path: 'owner/:token', title: 'Your boat · Plain Cleat', loadComponent: () => import('./owner-page/owner-page') },
  {
    path: 'rigs/:rig',
    canActivate: [signedIn],
    loadComponent: () => import('./rig/rig'),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'brief' },
      { path: 'brief', title: 'Brief', loadComponent: () => import('./brief/brief') },
      { path: 'receive', title: 'Receive', loadComponent: () => import('./receive/receive') },
      { path: 'lay-out', title: 'Lay out', loadComponent: () => import('./lay-out/lay-out') },
      { path: 'drill', title: 'Drill', loadComponent: () => import('./drill/drill') },
      { path: 'wire', title: 'Wire', loadComponent: () => import('./wire/wire') },
      { path: 'price', title: 'Price', loadComponent: () => import('./price/price') },
      { path: 'build', title: 'Build', loadComponent: () => import('./build/build') },
      { path: 'hand-over', title: 'Hand over', loadComponent: () => import('./hand-over/hand-over') },
    ],
  },
  { path: '**', redirectTo: 'floor' },
];
