/** Of the library only what reads a QR code: the rest of it would be loaded for nothing. */
export { default as BinaryBitmap } from '@zxing/library/esm/core/BinaryBitmap';
export { default as HybridBinarizer } from '@zxing/library/esm/core/common/HybridBinarizer';
export { default as QRCodeReader } from '@zxing/library/esm/core/qrcode/QRCodeReader';
export { default as RGBLuminanceSource } from '@zxing/library/esm/core/RGBLuminanceSource';
