namespace Kalypto.Core.Deciding;

/// <summary>What becomes of a layer.</summary>
public enum Decision
{
    /// <summary>Nobody decided yet.</summary>
    Open,
    /// <summary>It becomes files.</summary>
    Ship,
    /// <summary>The developers build it in code.</summary>
    Code,
    /// <summary>It is deliberately not used.</summary>
    Leave,
}
