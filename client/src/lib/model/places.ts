const banner = 'banner:';

/** Where a place is worked on in which a picture stands: at its piece on the desk, or among the banners. */
export const placeHref = (pageId: string, blockId = '') =>
  pageId.startsWith(banner) ? `/banners?banner=${pageId.slice(banner.length)}` : `/pages/${pageId}#${blockId}`;
