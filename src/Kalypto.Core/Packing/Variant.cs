using Kalypto.Core.Tagging;

namespace Kalypto.Core.Packing;

/// <summary>A picture as it is made for one platform, where that is not as everywhere.</summary>
/// <param name="Platform">The id of the platform.</param>
/// <param name="Making">How it is made.</param>
/// <param name="Crop">Its crop; null when there is nothing to show.</param>
public sealed record Variant(string Platform, Making Making, Crop? Crop);
