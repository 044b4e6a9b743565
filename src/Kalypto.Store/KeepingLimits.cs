namespace Kalypto.Store;

/// <summary>How long and how much is kept of what nobody needs any more.</summary>
public sealed record KeepingLimits
{
    /// <summary>How long a deleted project or removed design can be brought back.</summary>
    public TimeSpan Deleted { get; init; } = TimeSpan.FromDays(30);

    /// <summary>How long something drawn is kept that no page and no build asks for.</summary>
    public TimeSpan Unused { get; init; } = TimeSpan.FromDays(90);

    /// <summary>How many builds of a project that did not end well are kept, the newest. Deliveries are kept for ever.</summary>
    public int Builds { get; init; } = 50;

    /// <summary>How long the audit log is kept; never less than a month.</summary>
    public TimeSpan Audit { get; init; } = TimeSpan.FromDays(365);

    /// <summary>How old content must be before it can count as referred to by nobody: whoever put it may be about to.</summary>
    public TimeSpan Grace { get; init; } = TimeSpan.FromDays(1);
}
