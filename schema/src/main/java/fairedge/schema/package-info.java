/** Makes the jOOQ classes from a throw-away database that ran the migrations. */
@org.jspecify.annotations.NullMarked
package fairedge.schema;
