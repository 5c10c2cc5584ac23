package jollyroster.outbox;

/** What has become of a message. */
public enum MessageState {
    PLANNED,
    /** Claimed by the worker; in its hands or on the way. */
    SENDING,
    SENT,
    FAILED,
    WITHDRAWN
}
