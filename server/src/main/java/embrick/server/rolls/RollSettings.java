package embrick.server.rolls;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/** @param address of the printer, as http://127.0.0.1:8792; empty where there is none */
@ConfigurationProperties("embrick.roll")
record RollSettings(@DefaultValue("") String address) {}
