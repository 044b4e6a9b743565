namespace Kalypto.Core.Handover;

/// <summary>What a number on a plate stands for.</summary>
public enum PinKind
{
    /// <summary>A picture that ships.</summary>
    Picture,
    /// <summary>A box or group that is built in code.</summary>
    Box,
    /// <summary>Words that are set in code.</summary>
    Words,
}
