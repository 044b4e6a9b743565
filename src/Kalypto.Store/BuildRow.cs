namespace Kalypto.Store;

/// <summary>A build of a pack.</summary>
/// <param name="Id">Its number.</param>
/// <param name="ProjectId">Its project.</param>
/// <param name="State">running, done, failed or cancelled.</param>
/// <param name="Total">Picture files in it.</param>
/// <param name="Done">Picture files that are there already.</param>
/// <param name="Drawn">Picture files that had to be drawn for it.</param>
/// <param name="Message">What went wrong, or null.</param>
/// <param name="Files">All files in the zip.</param>
/// <param name="Weight">Bytes of all files.</param>
/// <param name="ZipSha256">The zip, where it was kept as one; null for one that is put together when it is fetched.</param>
/// <param name="StartedAt">When it began.</param>
/// <param name="Part">What of the pack it is of, in words; empty for all of it.</param>
/// <param name="Asked">What was asked, as JSON, so that it can go on after a stop.</param>
public sealed record BuildRow(
    int Id, int ProjectId, string State, int Total, int Done, int Drawn, string? Message, int Files, long Weight, string? ZipSha256, DateTime StartedAt, string Part, string Asked)
{
    /// <summary>Its number as a delivery of its project, from 1; null for one that did not end well.</summary>
    public int? Number { get; init; }

    /// <summary>What it is for.</summary>
    public string Line { get; init; } = "";

    /// <summary>Who made it, as they call themselves.</summary>
    public string MadeBy { get; init; } = "";

    /// <summary>Screens that it still waits for to be compared with the browser.</summary>
    public int ProofsLeft { get; init; }
}
