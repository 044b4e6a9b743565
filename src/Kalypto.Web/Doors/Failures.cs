using Kalypto.Core.Reading;
using Npgsql;

namespace Kalypto.Web.Doors;

/// <summary>What is answered when something failed: whose fault it is, and what to do.</summary>
internal static class Failures
{
    private const string DiskFull = PostgresErrorCodes.DiskFull;

    /// <summary>The status of the answer.</summary>
    public static int StatusOf(Exception failure) => failure switch
    {
        BadHttpRequestException bad => bad.StatusCode,
        InvalidDataException => StatusCodes.Status400BadRequest,
        DrawingRefusedException => StatusCodes.Status409Conflict,
        PostgresException { SqlState: DiskFull or PostgresErrorCodes.OutOfMemory } => StatusCodes.Status507InsufficientStorage,
        // Any other of its answers is ours to have prevented; what comes from the way to it is not.
        PostgresException { IsTransient: false } => StatusCodes.Status500InternalServerError,
        NpgsqlException or TimeoutException => StatusCodes.Status503ServiceUnavailable,
        _ => StatusCodes.Status500InternalServerError,
    };

    /// <summary>What is said of a status.</summary>
    public static (string Heading, string Advice) Say(int status, Exception? failure = null) => status switch
    {
        _ when failure is DrawingRefusedException refused => ("A drawing of this project cannot be read any more", $"{refused.Message} Its file is kept as it came. Bring in a newer drawing on Screens, or go back to an earlier draft there."),
        StatusCodes.Status400BadRequest => ("That is not understood", "What was sent is not what Kalypto expects. Load the page again."),
        StatusCodes.Status403Forbidden => ("That came from somewhere else", "Only pages of this server may ask for that. Open Kalypto by its own address."),
        StatusCodes.Status404NotFound => ("There is nothing here", "The project, screen or file of this address does not exist, or not any more."),
        StatusCodes.Status405MethodNotAllowed => ("That cannot be done here", "This address cannot be used like that. Load the page again."),
        StatusCodes.Status408RequestTimeout => ("That took too long to arrive", "The connection is too slow or was interrupted. Nothing was changed; try again."),
        StatusCodes.Status413PayloadTooLarge => ("That is too large", "It is larger than what may be sent at once: 260 MB of files, 4 MB of anything else. Send fewer or smaller files."),
        StatusCodes.Status429TooManyRequests => ("Too much at once", "This browser asks for more than one person does. What was refused was not done; try again in a moment."),
        StatusCodes.Status503ServiceUnavailable => ("The database does not answer", "Nothing that was saved is lost. Kalypto goes on by itself as soon as the database is back; try again in a moment. If it stays away, look at its log and start Kalypto again."),
        StatusCodes.Status507InsufficientStorage => ("The disk is full", "The database has no room left, so nothing more can be kept. What was saved is safe. Make room on the disk of the data folder; Kalypto goes on by itself."),
        _ => ("Something went wrong in Kalypto", "Nothing is lost: every edit was saved when it was made. Load the page again; the server's log says what happened."),
    };
}
