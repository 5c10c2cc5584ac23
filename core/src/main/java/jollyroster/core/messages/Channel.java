package jollyroster.core.messages;

/** By what a message goes. */
public enum Channel {
    EMAIL,
    TEXT
}
