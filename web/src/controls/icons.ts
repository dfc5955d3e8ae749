import { inject, NgModule } from '@angular/core';
import { MatIconModule, MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import add from '@material-symbols/svg-400/outlined/add.svg' with { loader: 'text' };
import contentCopy from '@material-symbols/svg-400/outlined/content_copy.svg' with { loader: 'text' };
import trash from '@material-symbols/svg-400/outlined/delete.svg' with { loader: 'text' };
import edit from '@material-symbols/svg-400/outlined/edit.svg' with { loader: 'text' };
import fitScreen from '@material-symbols/svg-400/outlined/fit_screen.svg' with { loader: 'text' };
import flip from '@material-symbols/svg-400/outlined/flip.svg' with { loader: 'text' };
import keyboard from '@material-symbols/svg-400/outlined/keyboard.svg' with { loader: 'text' };
import logout from '@material-symbols/svg-400/outlined/logout.svg' with { loader: 'text' };
import menu from '@material-symbols/svg-400/outlined/menu.svg' with { loader: 'text' };
import moreVert from '@material-symbols/svg-400/outlined/more_vert.svg' with { loader: 'text' };
import person from '@material-symbols/svg-400/outlined/person.svg' with { loader: 'text' };
import photoCamera from '@material-symbols/svg-400/outlined/photo_camera.svg' with { loader: 'text' };
import redo from '@material-symbols/svg-400/outlined/redo.svg' with { loader: 'text' };
import search from '@material-symbols/svg-400/outlined/search.svg' with { loader: 'text' };
import sync from '@material-symbols/svg-400/outlined/sync.svg' with { loader: 'text' };
import tune from '@material-symbols/svg-400/outlined/tune.svg' with { loader: 'text' };
import undo from '@material-symbols/svg-400/outlined/undo.svg' with { loader: 'text' };
import upload from '@material-symbols/svg-400/outlined/upload.svg' with { loader: 'text' };
import zoomIn from '@material-symbols/svg-400/outlined/zoom_in.svg' with { loader: 'text' };

/** The icons that the application ships, by the name that a template asks for. */
const ICONS = {
  add,
  content_copy: contentCopy,
  delete: trash,
  edit,
  fit_screen: fitScreen,
  flip,
  keyboard,
  logout,
  menu,
  more_vert: moreVert,
  person,
  photo_camera: photoCamera,
  redo,
  search,
  sync,
  tune,
  undo,
  upload,
  zoom_in: zoomIn,
};

/** `mat-icon` with the icons of this application. */
@NgModule({ imports: [MatIconModule], exports: [MatIconModule] })
export class Icons {
  constructor() {
    const registry = inject(MatIconRegistry);
    const trust = inject(DomSanitizer);
    for (const [name, svg] of Object.entries(ICONS)) registry.addSvgIconLiteral(name, trust.bypassSecurityTrustHtml(svg));
  }
}
