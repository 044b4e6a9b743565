namespace Kalypto.Core.Checking;

/// <summary>How much a finding matters.</summary>
public enum Severity
{
    /// <summary>The pack cannot be built.</summary>
    Blocker,
    /// <summary>Probably not what is wanted.</summary>
    Warning,
    /// <summary>Worth knowing.</summary>
    Hint,
}
