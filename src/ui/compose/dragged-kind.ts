/** What a kind of tile is called while it is dragged from the tray into a lens (HTML, 6.11.3). */
export const DRAGGED_KIND = 'application/x-mosaicus-tile'
