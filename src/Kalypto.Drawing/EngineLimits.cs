namespace Kalypto.Drawing;

/// <summary>Limits of both engines.</summary>
internal static class EngineLimits
{
    /// <summary>How long something that was asked for may use no processor at all before it is ended: it waits for what never comes.</summary>
    public static readonly TimeSpan MostIdle = TimeSpan.FromMinutes(3);
}
