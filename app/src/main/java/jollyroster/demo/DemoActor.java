package jollyroster.demo;

import jollyroster.platform.Actor;

/** Who makes the data of the demo. */
final class DemoActor {

    static final Actor PROGRAM = new Actor.Program("demo");

    private DemoActor() {}
}
