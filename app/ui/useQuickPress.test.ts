import { renderHook } from '@testing-library/react-native';
import { useQuickPress } from './useQuickPress';

const touch = { pointerType: 'touch' };

function pressing() {
  const pressed = jest.fn();
  const { result } = renderHook(() => useQuickPress(pressed));
  return { pressed, press: result.current };
}

describe('a quick press', () => {
  it('is when the finger lifts, and its click is not counted again', () => {
    const { pressed, press } = pressing();
    press.onPointerDown(touch);
    expect(pressed).not.toHaveBeenCalled();
    press.onPointerUp();
    expect(pressed).toHaveBeenCalledTimes(1);
    press.onPress();
    expect(pressed).toHaveBeenCalledTimes(1);
    press.onPress();
    expect(pressed).toHaveBeenCalledTimes(2);
  });

  it('calls off the mouse that the browser plays after it, and of no other touch', () => {
    const { press } = pressing();
    const lifted = { preventDefault: jest.fn() };
    press.onTouchEnd(lifted);
    expect(lifted.preventDefault).not.toHaveBeenCalled();
    press.onPointerDown(touch);
    press.onPointerUp();
    press.onTouchEnd(lifted);
    expect(lifted.preventDefault).toHaveBeenCalledTimes(1);
  });

  it('is none where the touch becomes a scroll', () => {
    const { pressed, press } = pressing();
    press.onPointerDown(touch);
    press.onPointerCancel();
    press.onPointerUp();
    expect(pressed).not.toHaveBeenCalled();
  });

  it('leaves mouse and keys to the click', () => {
    const { pressed, press } = pressing();
    press.onPointerDown({ pointerType: 'mouse' });
    press.onPointerUp();
    expect(pressed).not.toHaveBeenCalled();
    press.onPress();
    expect(pressed).toHaveBeenCalledTimes(1);
  });

  it('counts two quick touches as two', () => {
    const { pressed, press } = pressing();
    for (let i = 0; i < 2; i++) {
      press.onPointerDown(touch);
      press.onPointerUp();
      press.onPress();
    }
    expect(pressed).toHaveBeenCalledTimes(2);
  });
});
