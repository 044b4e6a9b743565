namespace Kalypto.Store.People;

/// <summary>A row of the audit log.</summary>
/// <param name="Event">What happened.</param>
/// <param name="Who">Who did it, as they were called then; empty for nobody who is known.</param>
/// <param name="Person">Their account; null for none.</param>
/// <param name="Project">The project that it is about; null for the server.</param>
/// <param name="Network">The network that it came from; empty for Kalypto itself.</param>
/// <param name="About">What it is about, in words.</param>
public sealed record AuditEntry(AuditEvent Event, string Who, int? Person, int? Project, string Network, string About)
{
    /// <summary>The number; newer ones have larger ones.</summary>
    public long Id { get; init; }

    /// <summary>When it happened.</summary>
    public DateTime At { get; init; }
}
