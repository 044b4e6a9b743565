namespace Kalypto.Store.Asking;

/// <summary>What somebody said of a screen of a delivery as a whole.</summary>
/// <param name="Who">Who, as they call themselves.</param>
/// <param name="Actor">Tells who it was.</param>
/// <param name="HasAgreed">True when they agreed to it; false when they have seen it.</param>
/// <param name="At">When.</param>
public sealed record VerdictRow(string Who, string Actor, bool HasAgreed, DateTime At);
