namespace Kalypto.Core.Arranging;

/// <summary>Something that cannot be arranged so. The message says why and what to do.</summary>
public sealed class ArrangingRefusedException(string message) : Exception(message);
