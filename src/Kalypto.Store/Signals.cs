namespace Kalypto.Store;

/// <summary>What processes on one database tell one another, through PostgreSQL's LISTEN and NOTIFY.</summary>
internal static class Signals
{
    public const string Channel = "kalypto";

    /// <summary>The call that tells, up to its bracket; it is heard when its transaction ends.</summary>
    public const string Notify = "pg_notify('" + Channel + "', ";

    public const string Edited = "edited";
    public const string Drawn = "drawn";
    public const string Proved = "proved";
    public const string Queued = "queued";
    public const string Built = "built";
    public const string Followed = "followed";
}
