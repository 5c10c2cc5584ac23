package jollyroster.platform;

/**
 * What a page shows, put together once and handed out as the same object until something in it changes. A page whose
 * {@code view} is lasting is kept as it was written, by {@link KeptViews}.
 */
public interface Lasting {}
