import { inject, NgModule } from '@angular/core';
import { MatIconModule, MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import add from '@material-symbols/svg-400/outlined/add.svg' with { loader: 'text' };
import arrowBack from '@material-symbols/svg-400/outlined/arrow_back.svg' with { loader: 'text' };
import arrowForward from '@material-symbols/svg-400/outlined/arrow_forward.svg' with { loader: 'text' };
import check from '@material-symbols/svg-400/outlined/check.svg' with { loader: 'text' };
import close from '@material-symbols/svg-400/outlined/close.svg' with { loader: 'text' };
import contentCopy from '@material-symbols/svg-400/outlined/content_copy.svg' with { loader: 'text' };
import trash from '@material-symbols/svg-400/outlined/delete.svg' with { loader: 'text' };
import download from '@material-symbols/svg-400/outlined/download.svg' with { loader: 'text' };
import driveFileMove from '@material-symbols/svg-400/outlined/drive_file_move.svg' with { loader: 'text' };
import edit from '@material-symbols/svg-400/outlined/edit.svg' with { loader: 'text' };
import fitScreen from '@material-symbols/svg-400/outlined/fit_screen.svg' with { loader: 'text' };
import flip from '@material-symbols/svg-400/outlined/flip.svg' with { loader: 'text' };
import keyboard from '@material-symbols/svg-400/outlined/keyboard.svg' with { loader: 'text' };
import link from '@material-symbols/svg-400/outlined/link.svg' with { loader: 'text' };
import linkOff from '@material-symbols/svg-400/outlined/link_off.svg' with { loader: 'text' };
import lock from '@material-symbols/svg-400/outlined/lock.svg' with { loader: 'text' };
import logout from '@material-symbols/svg-400/outlined/logout.svg' with { loader: 'text' };
import moreVert from '@material-symbols/svg-400/outlined/more_vert.svg' with { loader: 'text' };
import openInNew from '@material-symbols/svg-400/outlined/open_in_new.svg' with { loader: 'text' };
import person from '@material-symbols/svg-400/outlined/person.svg' with { loader: 'text' };
import photoCamera from '@material-symbols/svg-400/outlined/photo_camera.svg' with { loader: 'text' };
import print from '@material-symbols/svg-400/outlined/print.svg' with { loader: 'text' };
import redo from '@material-symbols/svg-400/outlined/redo.svg' with { loader: 'text' };
import refresh from '@material-symbols/svg-400/outlined/refresh.svg' with { loader: 'text' };
import save from '@material-symbols/svg-400/outlined/save.svg' with { loader: 'text' };
import search from '@material-symbols/svg-400/outlined/search.svg' with { loader: 'text' };
import swapHoriz from '@material-symbols/svg-400/outlined/swap_horiz.svg' with { loader: 'text' };
import sync from '@material-symbols/svg-400/outlined/sync.svg' with { loader: 'text' };
import undo from '@material-symbols/svg-400/outlined/undo.svg' with { loader: 'text' };
import upload from '@material-symbols/svg-400/outlined/upload.svg' with { loader: 'text' };
import zoomIn from '@material-symbols/svg-400/outlined/zoom_in.svg' with { loader: 'text' };

/** The icons that the application ships, by the name that a template asks for. */
const ICONS = {
  add,
  arrow_back: arrowBack,
  arrow_forward: arrowForward,
  check,
  close,
  content_copy: contentCopy,
  delete: trash,
  download,
  drive_file_move: driveFileMove,
  edit,
  fit_screen: fitScreen,
  flip,
  keyboard,
  link,
  link_off: linkOff,
  lock,
  logout,
  more_vert: moreVert,
  open_in_new: openInNew,
  person,
  photo_camera: photoCamera,
  print,
  redo,
  refresh,
  save,
  search,
  swap_horiz: swapHoriz,
  sync,
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
