using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Handover;

/// <summary>A part of a screen on a device.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Box">Where a file of it is put, in pt of the screen; of a layer in code its own values say.</param>
public sealed record DevicePart(string Name, Box Box)
{
    /// <summary>The address of the delivered file; null for none that a browser shows, and for a layer in code.</summary>
    public string? File { get; init; }

    /// <summary>The values of a layer in code; null for a picture.</summary>
    public LayerValues? Values { get; init; }
}
