package fairedge.server.course;

import java.util.Locale;

/** What the audit has a line of. */
public enum Deed {
  MADE_CLASS,
  CHANGED_CLASS,
  PUT_CLASS_AWAY,
  BROUGHT_CLASS_BACK,
  RENEWED_JOIN_CODE,
  ENDED_JOIN_CODE,
  JOINED,
  TOOK_IN,
  MADE_SLIP,
  MADE_INSTRUCTOR,
  MADE_ASSISTANT,
  MADE_STUDENT,
  PUT_AWAY,
  BROUGHT_BACK,
  TOOK_OUT,
  ERASED,
  SET_EXERCISE,
  CHANGED_SETTING,
  UNSET_EXERCISE,
  ALLOWED_MORE,
  ACCEPTED,
  ASKED_AGAIN,
  AMENDED,
  GAVE_BY_HAND,
  WAVED_THROUGH,
  COUNTED_AGAIN,
  LEFT;

  String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
